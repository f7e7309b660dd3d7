import { partialHz, stringFromFirstPartial, type StiffString } from '../strings/stiffString';
import { centsBetween, equalHz } from '../units/pitch';
import { hz, type BeatsPerSecond, type Cents } from '../units/quantity';
import { beatOf } from './beats';
import { INTERVALS, type IntervalKind } from './intervalKinds';

/** One side of a triad: its size and how it beats. */
export interface TriadInterval {
	readonly size: Cents;
	readonly rate: BeatsPerSecond;
}

/** The tonic triad of a key in close position, its root in the octave C4 to B4. */
export interface KeyCharacter {
	readonly root: number;
	readonly mode: 'major' | 'minor';
	readonly major: TriadInterval;
	readonly minor: TriadInterval;
	readonly fifth: TriadInterval;
	/** Mean beat rate of the triad's three intervals against the same triad's in equal temperament: 1 is as rough as equal. */
	readonly roughness: number;
}

const LOWEST_ROOT = 60;

/**
 * Character of the 24 keys: twelve major from C, then twelve minor.
 * @param strings the strings of C4 to F♯5 by note, as tuned
 */
export function keyCharacters(strings: (note: number) => StiffString): readonly KeyCharacter[] {
	const equal = equalStrings(strings);
	return (['major', 'minor'] as const).flatMap((mode) =>
		Array.from({ length: 12 }, (_, i) => {
			const root = LOWEST_ROOT + i;
			const own = triad(strings, root, mode);
			const reference = triad(equal, root, mode);
			return { root, mode, ...own, roughness: beating(own) / beating(reference) };
		})
	);
}

type Triad = Pick<KeyCharacter, 'major' | 'minor' | 'fifth'>;

function triad(strings: (note: number) => StiffString, root: number, mode: 'major' | 'minor'): Triad {
	const third = root + (mode === 'major' ? 4 : 3);
	const side = (lower: number, upper: number, kind: IntervalKind): TriadInterval => {
		const [low, high] = [strings(lower), strings(upper)];
		return { size: centsBetween(partialHz(low, 1), partialHz(high, 1)), rate: beatOf(low, high, kind).rate };
	};
	const lowSide = side(root, third, mode === 'major' ? INTERVALS.majorThird : INTERVALS.minorThird);
	const highSide = side(third, root + 7, mode === 'major' ? INTERVALS.minorThird : INTERVALS.majorThird);
	return {
		major: mode === 'major' ? lowSide : highSide,
		minor: mode === 'major' ? highSide : lowSide,
		fifth: side(root, root + 7, INTERVALS.fifth)
	};
}

function beating({ major, minor, fifth }: Triad): number {
	return (Math.abs(major.rate) + Math.abs(minor.rate) + Math.abs(fifth.rate)) / 3;
}

/** The same strings in equal temperament, at the mean level of the octave as it is. */
function equalStrings(strings: (note: number) => StiffString): (note: number) => StiffString {
	let level = 0;
	for (let note = LOWEST_ROOT; note < LOWEST_ROOT + 12; note++)
		level += Math.log2(partialHz(strings(note), 1) / equalHz(note, hz(440)));
	const a4 = hz(440 * 2 ** (level / 12));
	return (note) => stringFromFirstPartial(equalHz(note, a4), strings(note).inharmonicity);
}
