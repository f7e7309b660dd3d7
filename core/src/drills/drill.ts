import type { Random } from '../numeric/random';
import type { Chord } from '../sounding/passage';
import type { StiffString } from '../strings/stiffString';
import type { EarTask } from './threshold';

/** Where on the keyboard, or how fast, a drill is heard: ears differ from one to the next. */
export interface DrillRegister {
	readonly id: string;
	readonly name: string;
	/** Notes that a trial may begin from. */
	readonly lowest: number;
	readonly highest: number;
	readonly task: EarTask;
}

/** What one trial plays, one sound after the other, and which of them is the answer. */
export interface PlayedTrial {
	readonly sounds: readonly (readonly Chord[])[];
	readonly right: number;
}

/** A drill in which one of some sounds is to be told from the others. */
export interface ChoiceDrill {
	readonly id: string;
	/** So many sounds to choose from. */
	readonly choices: number;
	readonly registers: readonly [DrillRegister, ...DrillRegister[]];
	/** @param strings of an instrument, by note @param size as the register's task has it */
	trial(strings: (note: number) => StiffString, register: DrillRegister, size: number, random: Random): PlayedTrial;
}

/** One of so many, from 0. */
export const oneOf = (count: number, random: Random) => Math.min(count - 1, Math.floor(count * random.uniform()));

/** A note of a register. */
export const noteOf = ({ lowest, highest }: DrillRegister, random: Random) =>
	lowest + oneOf(highest - lowest + 1, random);
