import { createRandom, INTERVALS, noteOf, tappedRate, type IntervalKind, type SetTrial } from '@fendrel/core';
import { SITTING } from '../progress';
import { SetSitting, type SetGround } from '../setSitting.svelte';

interface Ground extends Omit<SetGround<unknown>, 'strings' | 'drill'> {
	/** What the app has heard of an interval since it was asked for, in beats a second. */
	readonly heard: (lower: number, upper: number, kind: IntervalKind) => number | undefined;
	/** Another interval is asked for: what was heard of it before counts no longer. */
	readonly ondue: (lower: number) => void;
	readonly now: () => number;
}

const KINDS: Readonly<Record<string, IntervalKind>> = { slow: INTERVALS.fifth, quick: INTERVALS.majorThird };

/** Beats of the piano in front of one, counted by tapping, beside what the app hears of them. */
export class HeardCounting extends SetSitting {
	lower = $state(0);
	taps = $state.raw<readonly number[]>([]);
	told = $state.raw<SetTrial | undefined>();
	readonly rate = $derived(tappedRate(this.taps));
	readonly kind: IntervalKind;
	private readonly random;

	constructor(private readonly ground: Ground) {
		super(SITTING.counting, { stop: () => {} }, ground.onanswered);
		this.kind = KINDS[ground.register.id] ?? KINDS.slow;
		this.random = createRandom(ground.seed);
		this.next();
	}

	get upper(): number {
		return this.lower + this.kind.semitones;
	}

	protected next(): void {
		this.taps = [];
		this.lower = noteOf(this.ground.register, this.random);
		this.ground.ondue(this.lower);
	}

	protected get isBegun(): boolean {
		return this.taps.length > 0;
	}

	tap(): void {
		if (this.isOver) return;
		if (this.taps.length === 0) this.notice = this.told = undefined;
		this.taps = [...this.taps, this.ground.now()];
	}

	anew(): void {
		this.taps = [];
	}

	count(): void {
		if (this.isOver) return;
		const { rate, taps, lower, upper, kind } = this;
		const heard = this.ground.heard(lower, upper, kind);
		if (rate === undefined) this.notice = 'Three taps at least make a count.';
		else if (heard === undefined)
			this.notice = 'The interval has not been heard yet: strike both keys, and let them ring.';
		else {
			this.told = { from: 0, asked: Math.abs(heard), set: rate, tries: 1, seconds: taps.at(-1)! - taps[0] };
			this.answered(this.told);
		}
	}
}
