import { bearingPlan } from '../bearing/plan';
import type { Ear } from '../bearing/ear';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { stringFromFirstPartial } from '../strings/stiffString';
import { temperamentById } from '../temperament/library';
import { A4, equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { earFromRates } from './rates';

/** What practice has measured of an ear, as far as it has; shares, cents, and the lean of a count as ln(counted / true). */
export interface MeasuredEar {
	readonly quick?: number | undefined;
	readonly slow?: number | undefined;
	readonly counted?: number | undefined;
	readonly octave?: number | undefined;
	readonly left?: number | undefined;
}

/** A drill, and what a tuning errs by now and after it is a fifth better. */
export interface Gain {
	readonly drill: string;
	readonly register: string;
	/** Root mean square over a whole tuning, in cents. */
	readonly now: number;
	readonly then: number;
	readonly isMeasured: boolean;
}

type KnownEar = Readonly<Record<keyof MeasuredEar, number>>;
/** An ear that has practised, until its own figures are known. */
const USUAL: KnownEar = { quick: 0.15, slow: 0.25, counted: 0.1, octave: 2, left: 0.4 };
const WHERE: Readonly<Record<keyof MeasuredEar, readonly [drill: string, register: string]>> = {
	...{ quick: ['rates', 'quick'], slow: ['rates', 'slow'], counted: ['counting', 'slow'] },
	...{ octave: ['octaves', 'middle'], left: ['stillness', 'middle'] }
};
/** How much better a drill is supposed to make an ear. */
const BETTER = 0.8;
/** Beats a second at which most of a plan's fifths are counted. */
const COUNTED_AT = 1;
/** Of three octaves, the odd one at the threshold: its scatter is so much less (Green and Swets 1966, for three to choose from). */
const OF_THREE = 1.5;
/** Octaves that lie between a note and the temperament, on the average. */
const OCTAVES_AWAY = 1.5;

/** The plan on which ears are compared: equal temperament round the circle, on an upright as most are. */
const strings = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), typicalInharmonicity('upright', note));
const on = { school: 'circle', start: A4, low: 53, high: 65, strings } as const;

/** Root mean square error of the temperament octave by an ear, in cents. */
export function planError(ear: Ear): number {
	const { steps, low, high } = bearingPlan({ ...on, temperament: temperamentById('equal'), ear });
	const within = steps.filter(({ note }) => note >= low && note <= high);
	return Math.sqrt(within.reduce((sum, { error }) => sum + error * error, 0) / within.length);
}

const known = (measured: MeasuredEar): KnownEar => ({
	quick: measured.quick ?? USUAL.quick,
	slow: measured.slow ?? USUAL.slow,
	counted: measured.counted ?? USUAL.counted,
	octave: measured.octave ?? USUAL.octave,
	left: measured.left ?? USUAL.left
});

/** The ear of bearing plans that practice has measured; a count's lean is the usual one before it is known. */
export function practisedEar({ quick, slow, counted = USUAL.counted }: MeasuredEar): Ear | undefined {
	if (quick === undefined || slow === undefined) return undefined;
	return earFromRates(quick, slow, Math.abs(counted) * COUNTED_AT);
}

/** Root mean square error of a whole tuning: temperament, octaves outwards, and unisons, each by itself. */
export function tuningError(measured: MeasuredEar): number {
	const ear = known(measured);
	const octaves = Math.sqrt(OCTAVES_AWAY) * (ear.octave / OF_THREE);
	return Math.hypot(planError(practisedEar(ear)!), octaves, ear.left);
}

/** Drills by what a tuning gains when they are a fifth better, the most first. */
export function gains(measured: MeasuredEar): readonly Gain[] {
	const ear = known(measured);
	const now = tuningError(ear);
	return (Object.keys(WHERE) as (keyof MeasuredEar)[])
		.map((of): Gain => {
			const [drill, register] = WHERE[of];
			const then = tuningError({ ...ear, [of]: BETTER * ear[of] });
			return { ...{ drill, register, now, then }, isMeasured: measured[of] !== undefined };
		})
		.sort((a, b) => a.then - b.then);
}
