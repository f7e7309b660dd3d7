import { partialHz } from '../../strings/stiffString';
import { resolveComponents } from '../closer/components';
import { partialEnvelope, SHARED_NOISE, type PartialEnvelope } from '../closer/envelope';
import { amplitudes, refine, turnErrors, type Tone } from '../closer/toneFit';
import { roomAbout, type KnownNote, type PairSound } from './ownPartials';

/** The beat of two notes at one pair of partials. */
export interface MeasuredBeat {
	readonly lowerPartial: number;
	readonly upperPartial: number;
	/** Where it is heard, in Hz. */
	readonly heardAt: number;
	/** Per second, above 0 where the upper note's partial lies higher: wide. */
	readonly rate: number;
	/** Standard error of that. */
	readonly error: number;
	/** 0 to 1: that it is wide, and not narrow. */
	readonly wide: number;
	/** What both notes' own partials make one expect, and how far that errs. */
	readonly expected: number;
	readonly expectedError: number;
	/** Both tones were told apart in the time that they lasted. */
	readonly isResolved: boolean;
}

/** A second tone must better the likelihood by this. */
const WORTH = 20;
/** A tone weaker than this share of the stronger one is the room's. */
const LEAST_SHARE = 0.01;
/** How well a partial's level is told by its neighbours': standard deviation of its logarithm. */
const LEVEL_SD = 0.9;
/** Steps of the grid on which unresolved tones are weighed, to either side, in standard deviations. */
const GRID = { steps: 20, reach: 3.5 } as const;
/** A figure errs by as much besides: what two strikes of a string differ by, per second and as a share of the pitch. */
const FLOOR = { rate: 0.008, share: 1.2e-5 } as const;
/** A note's law is told by so many partials of its own. */
const LAWFUL = 4;
/** Strings of a unison that differ lend their doubt to the note. */
const UNISON_SHARE = 0.3;

interface Expected {
	readonly frequency: number;
	readonly error: number;
	readonly amplitude: number;
	readonly decaySeconds: number;
}

/** Where a note's partial is to be expected, by its law and its neighbours. */
function expectedAt({ string, own, misfit, apart }: KnownNote, partial: number): Expected {
	const frequency = partialHz(string, partial);
	const near = [...own].sort((a, b) => Math.abs(a.partial - partial) - Math.abs(b.partial - partial)).slice(0, 2);
	const cents = Math.hypot(misfit * (near.length ? 1 + 0.1 * Math.abs(near[0].partial - partial) : 3), 0.5 * apart);
	const level = near.reduce((sum, { amplitude }) => sum + Math.log(amplitude), 0) / Math.max(1, near.length);
	const decay = near.reduce((sum, { decaySeconds }) => sum + Math.log(decaySeconds), 0) / Math.max(1, near.length);
	return {
		frequency,
		error: (frequency * Math.LN2 * cents) / 1200,
		amplitude: near.length ? Math.exp(level) : 0,
		decaySeconds: near.length ? Math.exp(decay) : 1
	};
}

/** @returns undefined when the band cannot be parted from its neighbours, or nothing sounds there */
export function measureBeat(
	{ samples, sampleRate }: PairSound,
	lower: KnownNote,
	upper: KnownNote,
	lowerPartial: number,
	upperPartial: number
): MeasuredBeat | undefined {
	const [low, high] = [expectedAt(lower, lowerPartial), expectedAt(upper, upperPartial)];
	const about = (low.frequency + high.frequency) / 2;
	if (about > 0.42 * sampleRate) return undefined;
	const room = roomAbout(about, [lower.string, upper.string], [low.frequency, high.frequency]);
	const envelope = partialEnvelope(samples, sampleRate, about, Math.min(room, 60));
	if (!envelope) return undefined;
	const band = { envelope, low, high };
	const open = lower.strings > 1 || upper.strings > 1;
	const floor = Math.hypot(FLOOR.rate, FLOOR.share * about);
	const unison = (UNISON_SHARE * about * Math.LN2 * Math.hypot(lower.apart, upper.apart)) / 1200;
	const expected = { rate: high.frequency - low.frequency, error: Math.hypot(low.error, high.error) };
	const told = open ? (byLines(band, lower, upper) ?? byLaw(lower, upper, expected)) : byTwoTones(band);
	if (!told) return undefined;
	const own = { ...told, error: Math.hypot(told.error, floor, open ? unison : 0) };
	return {
		...{ lowerPartial, upperPartial, heardAt: about },
		...(open ? together(own, expected) : own),
		expected: expected.rate,
		expectedError: expected.error
	};
}

/** Where the tones of a band are not told apart, both notes' own partials still tell what it should do. */
function byLaw(lower: KnownNote, upper: KnownNote, { rate, error }: { rate: number; error: number }): Told | undefined {
	if (lower.own.length < LAWFUL || upper.own.length < LAWFUL) return undefined;
	return { rate, error, wide: 1 / (1 + Math.exp((-1.7 * rate) / error)), isResolved: false };
}

/** Of open unisons both are unsure in another way: the band by its many tones, the law by how far partials stray. */
function together(own: Told, expected: { readonly rate: number; readonly error: number }): Told {
	const [a, b] = [own.error ** -2, expected.error ** -2];
	const rate = (a * own.rate + b * expected.rate) / (a + b);
	const error = Math.max((a + b) ** -0.5, 0.5 * Math.abs(own.rate - expected.rate));
	return { ...own, rate, error, wide: 1 / (1 + Math.exp((-1.7 * rate) / error)) };
}

interface Band {
	readonly envelope: PartialEnvelope;
	readonly low: Expected;
	readonly high: Expected;
}
type Told = Pick<MeasuredBeat, 'rate' | 'error' | 'wide' | 'isResolved'>;

const turnOf = ({ rate, about }: PartialEnvelope, frequency: number) => (2 * Math.PI * (frequency - about)) / rate;
const hzOf = ({ rate, about }: PartialEnvelope, turn: number) => about + (turn * rate) / (2 * Math.PI);
const lossOf = ({ rate }: PartialEnvelope, { decaySeconds }: Expected) => 1 / Math.max(0.02, decaySeconds) / rate;
const size = ({ re, im }: Tone) => Math.hypot(re, im);
const logLikelihood = (envelope: PartialEnvelope, left: number) =>
	-(envelope.re.length / SHARED_NOISE) * Math.log(Math.max(left, 1e-300));

/** How well a frequency and a level go with what a note is known by. */
function goesWith({ frequency, error, amplitude }: Expected, at: number, level: number): number {
	const off = (at - frequency) / error;
	const loud = amplitude > 0 && level > 0 ? Math.log(level / amplitude) / LEVEL_SD : 0;
	// Partials of real strings stray: beyond three errors none is impossible.
	return -Math.min(0.5 * off * off, 4.5 + Math.abs(off)) - Math.min(0.5 * loud * loud, 4.5);
}

/** One string each: two damped tones, told apart, or weighed over all places where they may stand. */
function byTwoTones(band: Band): Told | undefined {
	const { envelope, low, high } = band;
	const start = ({ frequency }: Expected, loss: number): Tone => ({
		...{ turn: turnOf(envelope, frequency), loss, re: 0, im: 0 }
	});
	const [lowLoss, highLoss] = [lossOf(envelope, low), lossOf(envelope, high)];
	const one = refine(envelope, [start(low.amplitude > high.amplitude ? low : high, Math.min(lowLoss, highLoss))]);
	const apart = Math.abs(high.frequency - low.frequency) > 1e-9 ? 0 : 1e-3;
	const starts = [
		[start(low, lowLoss), start({ ...high, frequency: high.frequency + apart }, highLoss)],
		[
			start({ ...low, frequency: high.frequency + apart }, lowLoss),
			start({ ...high, frequency: low.frequency }, highLoss)
		]
	];
	const generic = resolveComponents(envelope, 2)?.components;
	if (generic?.length === 2)
		starts.push(
			generic.map(({ frequency, decaySeconds }) => ({
				...{ turn: turnOf(envelope, frequency), loss: 1 / decaySeconds / envelope.rate, re: 0, im: 0 }
			}))
		);
	const two = starts
		.map((each) => refine(envelope, each))
		.reduce((best, each) => (each.left < best.left ? each : best));
	const [a, b] = [...two.tones].sort((x, y) => x.turn - y.turn);
	const gain = logLikelihood(envelope, two.left) - logLikelihood(envelope, one.left);
	const heard = Math.min(envelope.re.length, 3 / Math.max(1e-6, Math.min(a.loss, b.loss)));
	const sound =
		Math.min(size(a), size(b)) > LEAST_SHARE * Math.max(size(a), size(b)) && a.loss > -0.02 && b.loss > -0.02;
	if (gain > WORTH && sound && b.turn - a.turn > Math.PI / heard) {
		const errors = turnErrors(envelope, { tones: [a, b], left: two.left });
		const [fa, fb] = [hzOf(envelope, a.turn), hzOf(envelope, b.turn)];
		const before = envelope.start * envelope.rate;
		const [la, lb] = [size(a) * Math.exp(a.loss * before), size(b) * Math.exp(b.loss * before)];
		const asWide = goesWith(low, fa, la) + goesWith(high, fb, lb);
		const asNarrow = goesWith(high, fa, la) + goesWith(low, fb, lb);
		const wide = 1 / (1 + Math.exp(asNarrow - asWide));
		const rate = fb - fa;
		return {
			rate: wide >= 0.5 ? rate : -rate,
			error: (Math.hypot(errors[0], errors[1]) * envelope.rate) / (2 * Math.PI),
			wide,
			isResolved: true
		};
	}
	return weighed(band, lowLoss, highLoss);
}

/** Tones that were not told apart: every place where both may stand, by what is left over there and by what is expected. */
function weighed(band: Band, lowLoss: number, highLoss: number): Told {
	const { low, high } = band;
	const wide = grid(band, lowLoss, highLoss, low, high);
	// Once more where they were found: the first grid may be coarser than what the sound tells.
	const near = ({ at, sd }: Place, { error }: Expected) => ({ frequency: at, error: Math.min(error, 1.5 * sd + 0.02) });
	return grid(band, lowLoss, highLoss, near(wide.low, low), near(wide.high, high)).told;
}

/** Where a tone is thought to stand on a grid. */
interface Place {
	readonly at: number;
	readonly sd: number;
}
type About = Pick<Expected, 'frequency' | 'error'>;

function grid(
	{ envelope, low, high }: Band,
	lowLoss: number,
	highLoss: number,
	aboutLow: About,
	aboutHigh: About
): { readonly told: Told; readonly low: Place; readonly high: Place } {
	const { steps, reach } = GRID;
	const at: { readonly fl: number; readonly fh: number; readonly log: number }[] = [];
	for (let i = -steps; i <= steps; i++)
		for (let j = -steps; j <= steps; j++) {
			const fl = aboutLow.frequency + (reach * i * aboutLow.error) / steps;
			const fh = aboutHigh.frequency + (reach * j * aboutHigh.error) / steps;
			const tones = [
				{ turn: turnOf(envelope, fl), loss: lowLoss, re: 0, im: 0 },
				{ turn: turnOf(envelope, fh) + 1e-9, loss: highLoss, re: 0, im: 0 }
			];
			const left = amplitudes(envelope, tones);
			const log =
				logLikelihood(envelope, left) + goesWith(low, fl, size(tones[0])) + goesWith(high, fh, size(tones[1]));
			at.push({ fl, fh, log });
		}
	const most = Math.max(...at.map(({ log }) => log));
	const weights = at.map(({ log }) => Math.exp(log - most));
	const all = weights.reduce((sum, weight) => sum + weight, 0);
	const moments = (of: (each: (typeof at)[number]) => number): Place => {
		const mean = at.reduce((sum, each, i) => sum + weights[i] * of(each), 0) / all;
		const variance = at.reduce((sum, each, i) => sum + weights[i] * (of(each) - mean) ** 2, 0) / all;
		return { at: mean, sd: Math.sqrt(variance) };
	};
	const rate = moments(({ fl, fh }) => fh - fl);
	const wide = at.reduce((sum, { fl, fh }, i) => sum + (fh > fl ? weights[i] : 0), 0) / all;
	return {
		told: { rate: rate.at, error: rate.sd, wide, isResolved: false },
		low: moments(({ fl }) => fl),
		high: moments(({ fh }) => fh)
	};
}

/** Open unisons: every tone of the band is one of the lower note's, or of the upper's; a note stands at its loudest. */
function byLines({ envelope, low, high }: Band, lower: KnownNote, upper: KnownNote): Told | undefined {
	const lines = resolveComponents(envelope, Math.min(5, lower.strings + upper.strings))?.components;
	if (!lines || lines.length < 2) return undefined;
	let best: { readonly log: number; readonly rate: number; readonly error: number } | undefined;
	let [wide, all] = [0, 0];
	const most: { log: number; rate: number }[] = [];
	for (let labels = 1; labels < 2 ** lines.length - 1; labels++) {
		const isHigh = (i: number) => (labels >> i) & 1;
		const log = lines.reduce(
			(sum, line, i) => sum + goesWith(isHigh(i) ? high : low, line.frequency, line.amplitude),
			0
		);
		const strongest = (of: number) => lines.find((_, i) => isHigh(i) === of)!;
		const [l, h] = [strongest(0), strongest(1)];
		const rate = h.frequency - l.frequency;
		most.push({ log, rate });
		if (!best || log > best.log) best = { log, rate, error: Math.hypot(l.error, h.error) };
	}
	for (const { log, rate } of most) {
		const weight = Math.exp(log - best!.log);
		all += weight;
		if (rate > 0) wide += weight;
	}
	return { rate: best!.rate, error: best!.error, wide: wide / all, isResolved: true };
}
