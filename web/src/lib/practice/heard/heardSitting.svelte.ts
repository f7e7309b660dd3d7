import {
	afterPairJudged,
	ASKED_SIZES,
	createRandom,
	isRaisedKey,
	noteName,
	PAIR_BEGUN,
	PAIR_WITHIN,
	parFor,
	type DrillRegister,
	type Hand,
	type Move,
	type PairState,
	type SetTrial
} from '@fendrel/core';
import { SITTING } from '../progress';
import { SetSitting, type SetGround } from '../setSitting.svelte';
import type { HeardStrike } from './heardStrings.svelte';

/** What is practised on the piano in front of one. */
export type HeardDrill = 'stillness' | 'apart' | 'pair';

interface Ground extends Omit<SetGround<HeardDrill>, 'strings'> {
	readonly hand: Hand;
	/** The note that is due has changed. */
	readonly ondue: (note: number) => void;
	readonly now: () => number;
}

const UNHEARD = 'Strike both strings, and let them ring.';
const UNTOLD = 'That strike did not tell how far apart they are. Strike once more, and let it ring.';

/** A sitting on a real piano: the strings are turned there, heard here, and judged when the learner says so. */
export class HeardSitting extends SetSitting {
	note = $state(0);
	/** What is asked of their distance: 0 together, or cents. */
	asked = $state(0);
	strikes = $state(0);
	told = $state.raw<SetTrial | undefined>();
	/** Of the pair method: where it stands in its work. */
	pair = $state.raw<PairState>(PAIR_BEGUN);
	par = $state<number | undefined>();
	private first: HeardStrike | undefined;
	private last: HeardStrike | undefined;
	private moves: Move[] = [];
	private since = 0;
	private readonly notes: readonly number[];
	private readonly random;

	constructor(private readonly ground: Ground) {
		super(ground.drill === 'pair' ? SITTING.pair : SITTING.setting, { stop: () => {} }, ground.onanswered);
		this.random = createRandom(ground.seed);
		this.notes = whiteKeysOf(ground.register);
		this.next();
	}

	protected next(): void {
		this.note = this.notes[this.trials.length % this.notes.length];
		const sizes = [...ASKED_SIZES];
		this.asked = this.ground.drill === 'apart' ? sizes[Math.floor(sizes.length * this.random.uniform())] : 0;
		this.strikes = 0;
		this.first = this.last = undefined;
		this.moves = [];
		this.pair = PAIR_BEGUN;
		this.par = undefined;
		this.ground.ondue(this.note);
	}

	protected get isBegun(): boolean {
		return this.strikes > 0;
	}

	heard(strike: HeardStrike): void {
		if (this.isOver) return;
		if (strike.note !== this.note) {
			this.notice = `That was ${noteName(strike.note)}; ${noteName(this.note)} is due.`;
			return;
		}
		this.notice = strike.apart === undefined ? UNTOLD : undefined;
		if (this.strikes++ === 0) this.since = this.ground.now();
		this.told = undefined;
		if (strike.apart !== undefined) this.first ??= strike;
		this.last = strike;
	}

	/** The learner says that it stands as asked; of a pair: that this part of the work is done. */
	stand(): void {
		if (this.isOver) return;
		const { last, first } = this;
		if (!last || !first) this.notice = UNHEARD;
		else if (last.apart === undefined) this.notice = UNTOLD;
		else if (this.ground.drill === 'pair') this.pairStands({ off: last.off, apart: last.apart });
		else this.done(first.apart!, last.apart);
	}

	private done(from: number, set: number): void {
		const seconds = this.ground.now() - this.since;
		const { note, asked, strikes: tries } = this;
		this.told = { from, asked, set, tries, seconds, note };
		this.answered(this.told);
	}

	private pairStands({ off, apart }: { readonly off: number; readonly apart: number }): void {
		const { phase } = this.pair;
		// Clean, or matched again: now it is measured.
		if (phase === 'clean' || phase === 'match') {
			if (phase === 'clean') this.par = parFor(off, this.ground.hand);
			this.pair = afterPairJudged(this.pair, off, PAIR_WITHIN);
			if (this.pair.phase !== 'done') return;
			const { note } = this;
			const from = this.first!.off;
			const seconds = this.ground.now() - this.since;
			this.told = {
				from,
				asked: 0,
				set: off,
				tries: this.pair.tries,
				seconds,
				note,
				...(this.moves.length && { moves: this.moves })
			};
			this.answered(this.told);
			return;
		}
		this.moves.push({ asked: this.pair.by, set: Math.sign(this.pair.by) * apart });
		this.pair = { ...this.pair, phase: 'match' };
	}
}

/** Notes that are asked for: the white keys of a register, upwards. */
export function whiteKeysOf({ lowest, highest }: DrillRegister): number[] {
	return Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i).filter((note) => !isRaisedKey(note));
}
