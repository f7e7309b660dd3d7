import { equalHz, hz, movedBy, stringFromFirstPartial, type SetTrial } from '@fendrel/core';
import type { TurnableString } from '$lib/audio/turnable.svelte';

/*
 * What a sitting rests on, without sound: for tests.
 */

export const strings = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), 5e-4);

/** Strings that sound nowhere; where they stand can be read off them. */
export class FakeStrings {
	name: string | undefined;
	sounding: readonly TurnableString[] = [];
	readonly at = new Map<string, number>();
	strike = async (name: string, strings: readonly TurnableString[]) => {
		this.name = name;
		this.sounding = strings;
		for (const { id, cents } of strings) this.at.set(id, cents);
	};
	turnTo = (id: string, cents: number) => void this.at.set(id, cents);
	stop = () => void (this.name = undefined);
	/** Where a string stands now. */
	string(id: string) {
		const { voice } = this.sounding.find((each) => each.id === id)!;
		return movedBy(voice.string, this.at.get(id)!);
	}
}

/** A ground to sit on, by a clock of its own, and what it was told. */
export function fakeGround() {
	const sound = new FakeStrings();
	const told: { trials: readonly SetTrial[]; isOver: boolean }[] = [];
	const time = { now: 100 };
	const ground = {
		...{ strings, sound, seed: 11, now: () => time.now },
		onanswered: (trials: readonly SetTrial[], isOver: boolean) => void told.push({ trials, isOver })
	};
	return { sound, told, time, ground };
}

/** Turns by hairs until a figure is within a hair: a learner who hears everything and knows nothing of the lever's gear. */
export function turnUntil(turn: (by: number) => void, off: () => number, within: number): void {
	for (let i = 0; i < 2000 && Math.abs(off()) > within; i++) {
		const before = Math.abs(off());
		const by = Math.min(1, before / 2) + 0.005;
		turn(by);
		if (Math.abs(off()) > before) turn(-2 * by);
	}
}
