import {
	addTemperings,
	closedFifths,
	offsetsFromEqual,
	subtractTemperings,
	type Tempering,
	type Tuning
} from '@fendrel/core';

/** Closed fifths of which one takes the rest. */
export interface FifthsState {
	readonly by: 'fifths';
	readonly fifths: readonly Tempering[];
	readonly rest: number;
}

/** What is being designed: fifths, or a table of offsets. */
export type DesignState = FifthsState | { readonly by: 'cents'; readonly offsets: readonly number[] };

const MOST_STEPS_BACK = 200;
/** G♯-E♭: where most unequal temperaments keep what nobody plays. */
const USUAL_REST = 8;

/** A temperament under construction. The comma is accounted for at every step: one fifth takes the rest. */
export class Design {
	state: DesignState = $state.raw({ by: 'cents', offsets: [] });
	private past: DesignState[] = $state.raw([]);
	private future: DesignState[] = $state.raw([]);
	/** Changed since it was begun or kept. */
	changed = $state(false);

	constructor(tuning: Tuning) {
		this.state = stateOf(tuning);
	}

	get tuning(): Tuning {
		const { state } = this;
		return state.by === 'fifths' ? { by: 'fifths', fifths: state.fifths } : { by: 'cents', offsets: state.offsets };
	}

	get canUndo(): boolean {
		return this.past.length > 0;
	}

	get canRedo(): boolean {
		return this.future.length > 0;
	}

	/** Tempers a fifth anew; the fifth that takes the rest makes up for it. The rest itself cannot be set. */
	setFifth(step: number, tempering: Tempering): void {
		const { state } = this;
		if (state.by !== 'fifths' || step === state.rest) return;
		const given = subtractTemperings(tempering, state.fifths[step]);
		this.change({ ...state, fifths: moved(state.fifths, state.rest, step, given) });
	}

	/** Moves some tempering from one fifth to another. */
	move(from: number, to: number, amount: Tempering): void {
		const { state } = this;
		if (state.by === 'fifths' && from !== to) this.change({ ...state, fifths: moved(state.fifths, from, to, amount) });
	}

	/** Lets another fifth take the rest from now on; nothing else changes. */
	takeRest(step: number): void {
		const { state } = this;
		if (state.by === 'fifths' && step !== state.rest) this.change({ ...state, rest: step });
	}

	/** Sets a note's offset in cents; a table of cents closes by itself. */
	setOffset(noteClass: number, value: number): void {
		const { state } = this;
		if (state.by !== 'cents' || !Number.isFinite(value)) return;
		this.change({ ...state, offsets: state.offsets.map((each, i) => (i === noteClass ? value : each)) });
	}

	/** Goes on with a table of offsets, A at 0, rounded to a thousandth of a cent. */
	toCents(): void {
		if (this.state.by === 'cents') return;
		this.change(asCents(this.tuning));
	}

	/** Begins again from another tuning; undo leads back. */
	replace(tuning: Tuning): void {
		this.change(stateOf(tuning));
	}

	undo(): void {
		const before = this.past.at(-1);
		if (!before) return;
		this.future = [this.state, ...this.future];
		this.past = this.past.slice(0, -1);
		this.state = before;
	}

	redo(): void {
		const [next, ...rest] = this.future;
		if (!next) return;
		this.past = [...this.past, this.state];
		this.future = rest;
		this.state = next;
	}

	private change(next: DesignState): void {
		this.past = [...this.past, this.state].slice(-MOST_STEPS_BACK);
		this.future = [];
		this.state = next;
		this.changed = true;
	}
}

function stateOf(tuning: Tuning): DesignState {
	if (tuning.by === 'cents') return { by: 'cents', offsets: tuning.offsets };
	if (tuning.by === 'ratios') return asCents(tuning);
	const wolf = tuning.fifths.indexOf('wolf');
	return { by: 'fifths', fifths: closedFifths(tuning.fifths), rest: wolf < 0 ? USUAL_REST : wolf };
}

function asCents(tuning: Tuning): DesignState {
	return { by: 'cents', offsets: offsetsFromEqual({ tuning }).map((offset) => Math.round(offset * 1000) / 1000 + 0) };
}

function moved(fifths: readonly Tempering[], from: number, to: number, amount: Tempering): readonly Tempering[] {
	return fifths.map((fifth, i) =>
		i === to ? addTemperings(fifth, amount) : i === from ? subtractTemperings(fifth, amount) : fifth
	);
}
