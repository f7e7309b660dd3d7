import { partialHz, type StiffString } from '../../strings/stiffString';
import { beatsPerSecond, cents, type BeatsPerSecond, type Cents } from '../../units/quantity';
import { resolveComponents, type Component } from './components';
import { partialEnvelope } from './envelope';

/** What one partial of a strike says of the strings that sound together, or of one string's own false beat. */
export interface PartialBeat {
	readonly partial: number;
	/** Tones told apart, the strongest first. */
	readonly components: readonly Component[];
	/** Beat of the two strongest; undefined when only one tone was told. */
	readonly beat: BeatsPerSecond | undefined;
	/** How deep it beats: 0 not at all, 1 to silence. */
	readonly depth: number;
	/** The slowest beat of which one whole came while this partial was heard. */
	readonly slowest: BeatsPerSecond;
	/** Cents within which two tones would have passed for one. */
	readonly unresolved: Cents;
}

export interface UnisonAnalysis {
	readonly partials: readonly PartialBeat[];
	/** Strings that were told apart; 1 when none was. */
	readonly told: number;
	/** From the lowest of them to the highest, with its standard error; undefined when only one was told. */
	readonly spread: { readonly cents: Cents; readonly error: Cents } | undefined;
	/** The finest that any partial could have shown: a spread below this may be there and was not heard. */
	readonly unresolved: Cents;
}

export interface UnisonOptions {
	/** The sound from shortly after the strike. */
	readonly samples: Float32Array;
	readonly sampleRate: number;
	/** The note's string, as read. */
	readonly string: StiffString;
	/** Strings left unmuted, 1 to 3. With one, two tones are a false beat. */
	readonly strings: number;
}

/** Beats shallower than this nobody hears beside the string itself. */
export const AUDIBLE_DEPTH = 0.1;
const HIGHEST_PARTIAL = 8;
/** Partials this much weaker than the strongest say nothing that it does not say better. */
const LEAST_SHARE = 0.02;
export const HIGHEST_SHARE_OF_RATE = 0.42;
/** Strings of a unison lie within a few Hz of each other: nothing further away need come through. */
export const WIDEST_HZ = 60;

/**
 * The tones of each partial while one to three strings sound. Strings of a unison lie as far apart in cents in every
 * partial, so that higher ones show a small spread sooner; a false beat need not. Which of the two it is cannot be told
 * with more than one string sounding.
 * @throws RangeError when `strings` is not 1, 2 or 3
 */
export function analyseUnison({ samples, sampleRate, string, strings }: UnisonOptions): UnisonAnalysis {
	if (![1, 2, 3].includes(strings))
		throw new RangeError(`analyseUnison: ${strings} strings were left unmuted, 1 to 3 can be`);
	const most = Math.max(2, strings);
	const found: PartialBeat[] = [];
	let loudest = 0;
	for (let partial = 1; partial <= HIGHEST_PARTIAL; partial++) {
		const about = partialHz(string, partial);
		if (about > HIGHEST_SHARE_OF_RATE * sampleRate) break;
		const envelope = partialEnvelope(samples, sampleRate, about, Math.min(string.flexiblePitch, WIDEST_HZ));
		const resolved = envelope && resolveComponents(envelope, most);
		if (!resolved) continue;
		const [first, second] = resolved.components;
		loudest = Math.max(loudest, first.amplitude);
		found.push({
			partial,
			components: resolved.components,
			beat: second && beatsPerSecond(Math.abs(second.frequency - first.frequency)),
			depth: second ? second.amplitude / first.amplitude : 0,
			slowest: beatsPerSecond(resolved.wholeTurn),
			unresolved: asCents(resolved.resolution, about)
		});
	}
	const partials = found.filter(({ components }) => components[0].amplitude > LEAST_SHARE * loudest);
	const told = Math.max(1, ...partials.map(({ components }) => components.length));
	const spreads = partials
		.filter(({ components }) => components.length === told && told > 1)
		.map(({ components }) => {
			const sorted = [...components].sort((a, b) => a.frequency - b.frequency);
			const [low, high] = [sorted[0], sorted[sorted.length - 1]];
			return {
				cents: asCents(high.frequency - low.frequency, low.frequency),
				error: asCents(Math.hypot(high.error, low.error), low.frequency)
			};
		})
		.sort((a, b) => a.error - b.error);
	return {
		partials,
		told,
		spread: spreads[0],
		unresolved: cents(Math.min(Infinity, ...partials.map(({ unresolved }) => unresolved)))
	};
}

function asCents(difference: number, frequency: number): Cents {
	return cents(1200 * Math.log2(1 + difference / frequency));
}
