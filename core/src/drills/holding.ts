import type { Random } from '../numeric/random';
import { crept, strikePinned, turnPin, type PinFeel, type PinnedString } from '../sounding/pin';
import { structureOf } from '../sounding/structure';
import { eitherWay, noteOf, type DrillFrame, type DrillRegister } from './drill';
import type { SetTrial } from './setTrials';
import { INTERVAL_DEVIATE, type Threshold } from './threshold';

/** Strings that are set, struck firmly, and read again ten minutes later. */
export type HoldingDrill = DrillFrame<'holding'>;

export const HOLDING: HoldingDrill = {
	...{ kind: 'holding', id: 'holding', reach: { below: 0, above: 0 } },
	registers: [
		{ id: 'middle', name: 'C4 to B4', lowest: 60, highest: 71 },
		{ id: 'bass', name: 'C2 to B2', lowest: 36, highest: 47 },
		{ id: 'treble', name: 'C6 to B6', lowest: 84, highest: 95 }
	]
};

/** Strings to a sitting. */
export const HELD_STRINGS = 10;
/** A string holds that moves less, in cents. */
export const HELD_WITHIN = 0.5;
/** Firm blows that each is given. */
export const TEST_BLOWS = 3;
/** How hard a key is struck while one listens, and to test: so much harder that it is told apart. */
export const STRUCK = { usual: 0.35, blow: 1 } as const;
/** It is read again after so long. */
export const LATER_MS = 600_000;
/** Firm blows before it is read again. */
const LATER_BLOWS = 6;
const FROM = { least: 1.5, most: 6 } as const;

/** A string on its pin: cents from where it is to stand. */
export interface HoldingExercise {
	readonly note: number;
	readonly from: number;
	readonly feel: PinFeel;
}

/** How the pins of an invented piano feel, by note. */
export function pinsOfAny(random: Random): (note: number) => PinFeel {
	const seed = Math.floor(1e6 * random.uniform());
	const { friction, creep } = structureOf({ seed, lowest: 21, highest: 108, breakNote: 44 });
	return (note) => ({ friction: friction(note), settling: 0.5, creep: creep(note) });
}

/** A string of its own instrument. */
export function holdingExercise(register: DrillRegister, random: Random): HoldingExercise {
	const feel = pinsOfAny(random);
	const note = noteOf(register, random);
	const from = eitherWay(random) * (FROM.least + (FROM.most - FROM.least) * random.uniform());
	return { note, from, feel: feel(note) };
}

/** A string whose pin is turned and that is struck, by a clock in milliseconds. */
export class HeldString {
	private string: PinnedString;
	/** The sense of the last turn. */
	last: -1 | 1 | undefined;
	blows = 0;

	constructor(private readonly of: HoldingExercise) {
		this.string = { pin: of.from, speaking: of.from };
	}
	turn(by: number, now: number): void {
		this.string = turnPin(this.string, by, this.of.feel, now);
		if (by !== 0) this.last = by > 0 ? 1 : -1;
	}
	/** @param by a test blow, or as one plays */
	strike(by: keyof typeof STRUCK, now: number): void {
		if (by === 'blow') this.blows++;
		this.string = strikePinned(crept(this.string, now), STRUCK[by], this.of.feel);
	}
	/** Cents from where it is to stand. */
	standing(now: number): number {
		return crept(this.string, now).speaking;
	}
	/** Cents by which it has moved ten minutes after it was left, once it has been played. */
	movedLater(leftAt: number): number {
		const left = this.standing(leftAt);
		const now = leftAt + LATER_MS;
		for (let i = 0; i < LATER_BLOWS; i++) this.string = strikePinned(crept(this.string, now), 1, this.of.feel);
		return this.standing(now) - left;
	}
}

/** Share of strings that held, with its interval (Wilson 1927, eq. 4). @returns undefined where none was set */
export function heldShare(trials: readonly SetTrial[]): Threshold | undefined {
	const n = trials.length;
	if (n === 0) return undefined;
	const size = trials.filter(({ set }) => Math.abs(set) < HELD_WITHIN).length / n;
	const z = INTERVAL_DEVIATE * INTERVAL_DEVIATE;
	const middle = (size + z / (2 * n)) / (1 + z / n);
	const reach = (INTERVAL_DEVIATE / (1 + z / n)) * Math.sqrt((size * (1 - size)) / n + z / (4 * n * n));
	return { size, low: middle - reach, high: middle + reach, trials: n };
}
