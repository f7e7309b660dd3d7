import {
	examine,
	HeldString,
	movedBy,
	PURE_TONE,
	readAgain,
	type ExaminationBands,
	type Examination,
	type ExaminedTask,
	type LeftTask,
	type SetTrial,
	type Strings
} from '@fendrel/core';
import type { TurnableStrings, TurnableString } from '$lib/audio/turnable.svelte';

interface Ground {
	readonly tasks: readonly ExaminedTask[];
	readonly strings: Strings;
	readonly bands: ExaminationBands;
	/** The lever's: nobody shall set by counting. */
	readonly gear: number;
	readonly sound: Pick<TurnableStrings, 'strike' | 'turnTo' | 'stop'>;
	/** Seconds, by a clock that nobody sets. */
	readonly now: () => number;
	readonly onanswered: (trials: readonly SetTrial[], isOver: boolean) => void;
}

/** An examination: thing by thing set on the twin, then all of it read again. */
export class ExaminationSitting {
	/** Which of the tasks is due. */
	step = $state(0);
	blows = $state(0);
	notice = $state<string | undefined>();
	result = $state.raw<Examination | undefined>();
	isEnded = $state(false);
	private strikes = 0;
	private string: HeldString;
	private readonly left: LeftTask[] = [];
	private readonly seconds: number[] = [];
	private since: number;

	constructor(private readonly ground: Ground) {
		this.string = new HeldString(ground.tasks[0].exercise);
		this.since = ground.now();
	}

	get due(): ExaminedTask {
		return this.ground.tasks[this.step];
	}
	get isOver(): boolean {
		return this.isEnded || this.result !== undefined;
	}
	private get clock(): number {
		return 1000 * this.ground.now();
	}

	/** Where a note stands that has been set already; one that was not asked for stands right. */
	private standing(note: number): number {
		const left = this.left.findLast(({ task }) => task.section !== 'unisons' && task.exercise.note === note);
		return left ? left.string.standing(this.clock) : 0;
	}
	private others(): TurnableString[] {
		const { by, exercise } = this.due;
		const at = (note: number) => ({ note, string: movedBy(this.ground.strings(note), this.standing(note)) });
		if (by.is === 'interval') return [{ id: 'other', voice: at(by.other), cents: 0 }];
		const own = { note: exercise.note, string: this.ground.strings(exercise.note) };
		return [{ id: 'other', voice: by.is === 'fork' ? { ...own, partials: PURE_TONE } : own, cents: 0 }];
	}

	strike(firmly = false): void {
		if (this.isOver) return;
		this.notice = undefined;
		this.strikes++;
		this.string.strike(firmly ? 'blow' : 'usual', this.clock);
		this.blows = this.string.blows;
		const { note } = this.due.exercise;
		const turned = {
			id: 'turned',
			voice: { note, string: this.ground.strings(note) },
			cents: this.string.standing(this.clock)
		};
		void this.ground.sound.strike('due', [...this.others(), turned]);
	}

	turn(by: number): void {
		if (this.isOver) return;
		this.string.turn(by * this.ground.gear, this.clock);
		this.ground.sound.turnTo('turned', this.string.standing(this.clock));
	}

	/** It is left as it stands; after the last all of it is read. */
	stand(): void {
		if (this.isOver) return;
		if (this.strikes === 0) {
			this.notice = 'Strike it first.';
			return;
		}
		this.ground.sound.stop();
		this.left.push({ task: this.due, string: this.string, at: this.clock });
		this.seconds.push(this.ground.now() - this.since);
		if (this.step + 1 === this.ground.tasks.length) return this.read();
		this.step++;
		this.string = new HeldString(this.due.exercise);
		this.strikes = this.blows = 0;
		this.since = this.ground.now();
	}

	private read(): void {
		const stood = this.left.map(({ string, at }) => string.standing(at));
		const trials = this.left.map(({ task, string }, i): SetTrial => ({
			...{ note: task.exercise.note, from: task.exercise.from, asked: 0, set: stood[i] },
			...{ tries: string.blows, seconds: this.seconds[i], ...(string.last && { last: string.last }) }
		}));
		this.result = examine(readAgain(this.left), this.ground.bands);
		this.ground.onanswered(trials, true);
	}

	end(): void {
		if (this.isOver) return;
		this.ground.sound.stop();
		this.isEnded = true;
	}
}
