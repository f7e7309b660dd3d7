import { adviceFor, isCertain, stabilityOf, type Advice, type Cents, type ReadStrike } from '@fendrel/core';

/** One strike: its curve in cents from target, and what it was read as. */
export interface StrikeTrace {
	readonly id: number;
	readonly curve: readonly { readonly since: number; readonly cents: number }[];
	/** Cents from target; undefined until it has been read. */
	readonly figure: number | undefined;
	/** The same with its error, and how hard the strike was. */
	readonly read?: ReadStrike;
}

/** Strikes shown together; older ones fade out of the picture. */
const SHOWN = 6;

/** The strikes on the string that is due, and what they say together. */
export class Strikes {
	shown = $state.raw<readonly StrikeTrace[]>([]);
	readonly figures = $derived.by(() => this.shown.flatMap(({ figure }) => (figure === undefined ? [] : [figure])));
	readonly stability = $derived.by(() => stabilityOf(this.figures));
	readonly advice: Advice = $derived.by(() => {
		const read = this.shown.flatMap(({ read }) => read ?? []);
		const off = read.at(-1)?.off;
		// In a raise one strike is enough: it will move again anyway.
		if (this.quick && off !== undefined) return Math.abs(off) <= this.tolerance ? 'holds' : off < 0 ? 'raise' : 'lower';
		return adviceFor(read, this.tolerance);
	});
	/** Cents from target: while a strike sounds where it stands, otherwise its figure. */
	readonly now = $derived.by(() => {
		const last = this.shown.at(-1);
		return last?.figure ?? last?.curve.at(-1)?.cents;
	});
	/** Whether that is a figure to go by: what still sounds is shown as it comes. */
	readonly isCertain = $derived.by(() => isCertain(this.shown.at(-1)?.read?.error));
	private id = 0;

	constructor(
		private readonly tolerance: Cents,
		private readonly quick = false
	) {}

	/** A strike falls. It is shown only once it is known to be on the due note. */
	begin(): void {
		this.id++;
	}

	/** The strike that sounds, once it is shown. */
	get current(): StrikeTrace | undefined {
		const last = this.shown.at(-1);
		return last?.id === this.id ? last : undefined;
	}

	follow(since: number, cents: number): void {
		const { id, current } = this;
		const curve = [...(current?.curve ?? []), { since, cents }];
		this.put(current ? { ...current, curve } : { id, curve, figure: undefined });
	}

	read(read: ReadStrike): void {
		const { id, current } = this;
		this.put({ id, curve: current?.curve ?? [], figure: read.off, read });
	}

	private put(strike: StrikeTrace): void {
		this.shown = [...(this.current ? this.shown.slice(0, -1) : this.shown), strike].slice(-SHOWN);
	}

	/** The strike that sounds was none of this string. */
	drop(): void {
		if (this.current) this.shown = this.shown.slice(0, -1);
	}

	clear(): void {
		this.shown = [];
	}
}
