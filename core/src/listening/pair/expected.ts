import { partialHz } from '../../strings/stiffString';
import type { PartialEnvelope } from '../closer/envelope';
import type { KnownNote } from './ownPartials';

/** How well a partial's level is told by its neighbours': standard deviation of its logarithm. */
const LEVEL_SD = 0.9;
/** A note stands at its loudest string, which need not be the same at every partial: by so much of what its strings differ. */
const STRAYS = 0.25;

/** A partial as a note's law and its neighbours make one expect it. */
export interface Expected {
	readonly frequency: number;
	readonly error: number;
	readonly amplitude: number;
	readonly decaySeconds: number;
}

/** Where two notes meet, and what each of them should be there. */
export interface Band {
	readonly envelope: PartialEnvelope;
	readonly low: Expected;
	readonly high: Expected;
}
/** What the sound of a band tells. */
export interface Told {
	/** Per second, above 0 where the upper note's partial lies higher: wide. */
	readonly rate: number;
	/** Standard error of that. */
	readonly error: number;
	/** 0 to 1: that it is wide, and not narrow. */
	readonly wide: number;
	/** Both tones were told apart in the time that they lasted. */
	readonly isResolved: boolean;
}

/** Where a note's partial is to be expected, by its law and its neighbours. */
export function expectedAt({ string, own, misfit, apart }: KnownNote, partial: number): Expected {
	const frequency = partialHz(string, partial);
	const near = [...own].sort((a, b) => Math.abs(a.partial - partial) - Math.abs(b.partial - partial)).slice(0, 2);
	const cents = Math.hypot(misfit * (near.length ? 1 + 0.1 * Math.abs(near[0].partial - partial) : 3), STRAYS * apart);
	const level = near.reduce((sum, { amplitude }) => sum + Math.log(amplitude), 0) / Math.max(1, near.length);
	const decay = near.reduce((sum, { decaySeconds }) => sum + Math.log(decaySeconds), 0) / Math.max(1, near.length);
	return {
		frequency,
		error: (frequency * Math.LN2 * cents) / 1200,
		amplitude: near.length ? Math.exp(level) : 0,
		decaySeconds: near.length ? Math.exp(decay) : 1
	};
}

/** How well a frequency and a level go with what a note is known by. */
export function goesWith({ frequency, error, amplitude }: Expected, at: number, level: number): number {
	const off = (at - frequency) / error;
	const loud = amplitude > 0 && level > 0 ? Math.log(level / amplitude) / LEVEL_SD : 0;
	// Partials of real strings stray: beyond three errors none is impossible.
	return -Math.min(0.5 * off * off, 4.5 + Math.abs(off)) - Math.min(0.5 * loud * loud, 4.5);
}
