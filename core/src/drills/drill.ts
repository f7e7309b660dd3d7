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
}

/** Strings of an instrument as they are to be tuned, by note. */
export type Strings = (note: number) => StiffString;

export interface ChoiceRegister extends DrillRegister {
	readonly task: EarTask;
	/** What may be answered, by name; none: it is one of the sounds, by its number. */
	readonly answers?: readonly string[];
}

/** What one trial plays, one sound after the other, and which answer is the right one. */
export interface PlayedTrial {
	readonly sounds: readonly (readonly Chord[])[];
	/** Sounds that come before those of which one is the answer; 0 unless given. */
	readonly before?: number;
	readonly right: number;
	/** Where a learner may lean to one side: -1 it was flat or narrow, 1 sharp or wide. */
	readonly way?: -1 | 1;
	/** The note that was moved, and which way. */
	readonly moved?: { readonly note: number; readonly way: -1 | 1 };
}

/** What every drill has. */
export interface DrillFrame<Kind extends string, Register extends DrillRegister = DrillRegister> {
	readonly kind: Kind;
	readonly id: string;
	readonly registers: readonly [Register, ...Register[]];
	/** Semitones beyond the notes of a register that may sound. */
	readonly reach: { readonly below: number; readonly above: number };
}

/** A drill in which the right one of some answers is chosen. */
export interface ChoiceDrill extends DrillFrame<'choice', ChoiceRegister> {
	/** @param size as the register's task has it */
	trial(strings: Strings, register: ChoiceRegister, size: number, random: Random): PlayedTrial;
}

/** How many answers there are to choose from. */
export const choicesOf = ({ task }: ChoiceRegister) => Math.round(1 / task.guess);

/** One of so many, from 0. */
export const oneOf = (count: number, random: Random) => Math.min(count - 1, Math.floor(count * random.uniform()));

/** A note of a register. */
export const noteOf = ({ lowest, highest }: DrillRegister, random: Random) =>
	lowest + oneOf(highest - lowest + 1, random);

/** Down or up, as often. */
export const eitherWay = (random: Random): -1 | 1 => (random.uniform() < 0.5 ? -1 : 1);
