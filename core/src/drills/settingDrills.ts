import type { Random } from '../numeric/random';
import type { Chord } from '../sounding/passage';
import { INTERVALS } from '../intervals/intervalKinds';
import type { StiffString } from '../strings/stiffString';
import { eitherWay, noteOf, oneOf, type DrillFrame, type DrillRegister, type Strings } from './drill';
import { UNISON_REGISTERS } from './sizes';
import { chord, upperFor } from './strings';

/** Two strings, one of which is moved until it stands as asked. */
export interface SettingExercise {
	readonly note: number;
	readonly string: StiffString;
	/** Cents at which the string that is moved stands from the other one at first. */
	readonly from: number;
	/** Cents at which it is to stand, either way. */
	readonly asked: number;
}

/** A drill in which a string is set with the lever. */
export interface SettingDrill extends DrillFrame<'setting'> {
	exercise(strings: Strings, register: DrillRegister, random: Random): SettingExercise;
}

/** A drill in which beats are counted. */
export interface CountingDrill extends DrillFrame<'counting'> {
	exercise(strings: Strings, register: DrillRegister, random: Random): CountingExercise;
}

export interface CountingExercise {
	readonly sound: readonly Chord[];
	/** Beats a second. */
	readonly rate: number;
}

const [middle, tenor, treble, top] = UNISON_REGISTERS.map(({ id, name, lowest, highest }) => ({
	id,
	name,
	lowest,
	highest
}));
const UNISONS = [middle, tenor, treble, top] as const;
/** A unison that is to be brought together stands so many cents apart at first. */
const APART = { least: 1.5, most: 9 } as const;
/** Sizes that are asked for, in cents. */
export const ASKED_SIZES = [0.5, 1, 2, 5] as const;

/** Two strings of a note that stand apart: to be brought together. */
export const STILLNESS: SettingDrill = {
	...{ kind: 'setting', id: 'stillness', reach: { below: 0, above: 0 }, registers: UNISONS },
	exercise(strings, register, random) {
		const note = noteOf(register, random);
		const from = eitherWay(random) * (APART.least + (APART.most - APART.least) * random.uniform());
		return { note, string: strings(note), from, asked: 0 };
	}
};

/** Two strings that stand together: to be set apart by so much. */
export const SETTING_APART: SettingDrill = {
	...{ kind: 'setting', id: 'apart', reach: { below: 0, above: 0 }, registers: UNISONS },
	exercise(strings, register, random) {
		const note = noteOf(register, random);
		return { note, string: strings(note), from: 0, asked: ASKED_SIZES[oneOf(ASKED_SIZES.length, random)] };
	}
};

const RATES = {
	slow: { least: 0.5, most: 2.5, kind: INTERVALS.fifth },
	quick: { least: 4, most: 9, kind: INTERVALS.majorThird }
};
const SECONDS = 6;

/** An interval beats: how often a second? */
export const COUNTING: CountingDrill = {
	...{ kind: 'counting', id: 'counting', reach: { below: 0, above: 7 } },
	registers: [
		{ id: 'slow', name: 'Fifths, 0.5 to 2.5 a second', lowest: 53, highest: 60 },
		{ id: 'quick', name: 'Thirds, 4 to 9 a second', lowest: 53, highest: 60 }
	],
	exercise(strings, register, random) {
		const { least, most, kind } = RATES[register.id as keyof typeof RATES];
		const note = noteOf(register, random);
		const rate = least * (most / least) ** random.uniform();
		const upper = note + kind.semitones;
		const string = upperFor(strings(note), strings(upper).inharmonicity, kind, rate);
		return { rate, sound: [chord(SECONDS, { note, string: strings(note) }, { note: upper, string })] };
	}
};

/** Beats a second from moments at which each was tapped, in seconds. @returns undefined before three of them */
export function tappedRate(taps: readonly number[]): number | undefined {
	if (taps.length < 3) return undefined;
	// The slope of the moments against their numbers: one that came late counts as one.
	const middle = (taps.length - 1) / 2;
	const mean = taps.reduce((sum, at) => sum + at, 0) / taps.length;
	let [over, under] = [0, 0];
	taps.forEach((at, i) => {
		over += (i - middle) * (at - mean);
		under += (i - middle) ** 2;
	});
	return over > 0 ? under / over : undefined;
}
