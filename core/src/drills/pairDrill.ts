import { quantileSorted } from 'd3-array';
import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import { createRandom, type Random } from '../numeric/random';
import { afterPairJudged, PAIR_BEGUN } from '../setting/pairMethod';
import type { PassageVoice } from '../sounding/passage';
import type { StiffString } from '../strings/stiffString';
import { eitherWay, noteOf, type DrillFrame, type DrillRegister, type Strings } from './drill';

import { isGuessed, sizeSense, stillness, type Move, type SetTrial } from './setTrials';
import { upperFor } from './strings';

/** A clean pair that stands some cents off. */
export interface PairExercise {
	readonly note: number;
	/** Where the pair is to stand. */
	readonly string: StiffString;
	/** Where it stands at first, in cents from there. */
	readonly from: number;
	/** An octave in place of a meter: what is struck with the pair, and the third note that tests it. */
	readonly octave: { readonly name: string; readonly reference: PassageVoice; readonly test: PassageVoice } | undefined;
}

/** The pair method as a drill: one string is moved by its beat alone, the other is matched, and then it is measured. */
export interface PairDrill extends DrillFrame<'pair'> {
	exercise(strings: Strings, register: DrillRegister, random: Random): PairExercise;
}

/** Within so many cents the pair stands. */
export const PAIR_WITHIN = 0.5;
/** How far off a pair stands at first, in cents. */
const OFF = { least: 1, most: 6 } as const;

/** An octave in place of a meter: by which coincidence, and where the test note lies from the lower note. */
export interface JudgedOctave {
	readonly kind: IntervalKind;
	readonly test: number;
	readonly name: string;
}

/** The registers in which an octave takes the place of a meter. */
export const BY_OCTAVE: Readonly<Record<string, JudgedOctave>> = {
	octave42: { kind: INTERVALS.octave42, test: -4, name: '4:2' },
	octave63: { kind: INTERVALS.octave63, test: 3, name: '6:3' }
};

export const PAIR_DRILL: PairDrill = {
	...{ kind: 'pair', id: 'pair', reach: { below: 16, above: 0 } },
	registers: [
		{ id: 'middle', name: 'A3 to G♯4, with a meter', lowest: 57, highest: 68 },
		{ id: 'treble', name: 'A4 to G♯5, with a meter', lowest: 69, highest: 80 },
		{ id: 'octave42', name: 'Against the octave below, by 4:2', lowest: 65, highest: 72 },
		{ id: 'octave63', name: 'Against the octave below, by 6:3', lowest: 57, highest: 64 }
	],
	exercise(strings, register, random) {
		const note = noteOf(register, random);
		const from = eitherWay(random) * OFF.least * (OFF.most / OFF.least) ** random.uniform();
		const by = BY_OCTAVE[register.id];
		if (!by) return { note, string: strings(note), from, octave: undefined };
		const below = note - 12;
		const voice = (at: number) => ({ note: at, string: strings(at) });
		// The lower note stands; the pair is right where the octave is pure at that coincidence.
		const string = upperFor(strings(below), strings(note).inharmonicity, by.kind, 0);
		return { note, string, from, octave: { name: by.name, reference: voice(below), test: voice(below + by.test) } };
	}
};

/** How somebody moves strings by ear: by how much what is set differs from what was asked, and how still they bring two together. */
export interface Hand {
	/** Mean and standard deviation of ln(set / asked). */
	readonly lean: number;
	readonly precision: number;
	/** Root mean square of what is left, in cents. */
	readonly left: number;
}

/** A hand that has practised, until one's own is known. */
export const USUAL_HAND: Hand = { lean: 0, precision: 0.25, left: 0.2 };

/** The learner's own hand, from what has been practised; usual where nothing has been. */
export function handOf(moves: readonly Move[], still: readonly SetTrial[]): Hand {
	const size = sizeSense(moves);
	const left = isGuessed(still) ? undefined : stillness(still)?.value;
	return {
		lean: size?.lean.value ?? USUAL_HAND.lean,
		precision: size?.precision.value ?? USUAL_HAND.precision,
		left: left ?? USUAL_HAND.left
	};
}

const RUNS = 400;
const MOST_TRIES = 12;

/** Tries that a pair takes which stands so far off: what half of all runs of such a hand reach. @param off in cents */
export function parFor(off: number, hand: Hand, within = PAIR_WITHIN): number {
	const random = createRandom(17);
	const tries = Array.from({ length: RUNS }, () => {
		let stands = -Math.abs(off);
		let state = afterPairJudged(PAIR_BEGUN, stands, within);
		while (state.phase !== 'done' && state.tries < MOST_TRIES) {
			const moved = state.by * Math.exp(hand.lean + hand.precision * random.normal());
			// The other one is brought to it, but for what is left: the pair stands in the middle of both.
			stands += moved + (hand.left * random.normal()) / 2;
			state = afterPairJudged(state, stands, within);
		}
		return state.tries;
	});
	return Math.max(
		1,
		Math.round(
			quantileSorted(
				tries.sort((a, b) => a - b),
				0.5
			)!
		)
	);
}
