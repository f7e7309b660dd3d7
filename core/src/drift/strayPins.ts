import { mean, median } from 'd3-array';

/** A string as one visit left it and the next found it. */
export interface KeptString {
	/** Note, then which of its strings: "69/left". */
	readonly sounder: string;
	readonly note: number;
	/** Cents, from left to found. */
	readonly moved: number;
}
/** From the end of one visit to the beginning of the next. */
export type KeptSpan = readonly KeptString[];

/** A string whose pin does not hold. */
export interface StrayPin {
	readonly sounder: string;
	readonly note: number;
	/** Cents by which it moved beside its neighbours, a span's mean. */
	readonly slips: number;
	/** Spans in which it strayed, of those in which it was read. */
	readonly strayed: number;
	readonly of: number;
}

/** Notes to either side that say what the air did there: it moves neighbours alike. */
const NEIGHBOURS = 6;
/** As many readings as tell what neighbours did. */
const FEWEST = 5;
/** A string strays that moved so many times as far as strings usually do beside each other, and cents at least. */
const STRAYS = { times: 3.5, cents: 2.5 } as const;
/** A pin never holds that strayed the same way in each of so many spans, or in most of more. */
const SPANS = 2;
const MOST = 0.75;
/** From the median of sizes to a normal spread (Hampel 1974). */
const MAD = 1.4826;

/** How each string of a span moved beside its neighbours: the air taken out. */
export function besideNeighbours(span: KeptSpan): readonly (KeptString & { readonly beside: number })[] {
	if (span.length < FEWEST) return [];
	return span.flatMap((string) => {
		const near = span.filter(
			({ note, sounder }) => sounder !== string.sounder && Math.abs(note - string.note) <= NEIGHBOURS
		);
		if (near.length < FEWEST) return [];
		return [{ ...string, beside: string.moved - median(near, ({ moved }) => moved)! }];
	});
}

/** How far strings usually move beside each other: half of them less than 0.67 of it. */
export const spreadOf = (beside: readonly number[]): number | undefined =>
	beside.length < FEWEST ? undefined : MAD * median(beside, Math.abs)!;

/**
 * Pins that never hold: their strings move away from their neighbours between visits, again and again and to the same side. A string
 * that strayed once is not among them: somebody may have struck it, or it was new.
 * @param spans of one instrument, in order of time
 */
export function strayPins(spans: readonly KeptSpan[]): readonly StrayPin[] {
	const moved = new Map<string, { note: number; beside: number[]; strays: number[] }>();
	for (const span of spans) {
		const strings = besideNeighbours(span);
		const spread = spreadOf(strings.map(({ beside }) => beside));
		if (spread === undefined) continue;
		const limit = Math.max(STRAYS.cents, STRAYS.times * spread);
		for (const { sounder, note, beside } of strings) {
			const of = moved.get(sounder) ?? { note, beside: [], strays: [] };
			of.beside.push(beside);
			if (Math.abs(beside) > limit) of.strays.push(Math.sign(beside));
			moved.set(sounder, of);
		}
	}
	return [...moved]
		.filter(({ 1: { beside, strays } }) => {
			const oneSide = Math.abs(strays.reduce((sum, side) => sum + side, 0)) === strays.length;
			return oneSide && strays.length >= SPANS && strays.length >= MOST * beside.length;
		})
		.map(([sounder, { note, beside, strays }]) => ({
			...{ sounder, note, slips: mean(beside)!, strayed: strays.length, of: beside.length }
		}))
		.sort((a, b) => Math.abs(b.slips) - Math.abs(a.slips));
}

/** How steady strings stay in a register. */
export interface Steadiness {
	readonly register: string;
	/** Cents within which half of them stayed, beside their neighbours. */
	readonly half: number;
	/** Share that stayed within a cent. */
	readonly within: number;
	readonly strings: number;
}

/** How steady strings stayed, register by register. @param registerOf of a note */
export function steadiness(spans: readonly KeptSpan[], registerOf: (note: number) => string): readonly Steadiness[] {
	const all = spans.flatMap(besideNeighbours);
	const registers = [...new Set([...all].sort((a, b) => a.note - b.note).map(({ note }) => registerOf(note)))];
	return registers.map((register) => {
		const sizes = all.filter(({ note }) => registerOf(note) === register).map(({ beside }) => Math.abs(beside));
		return {
			...{ register, half: median(sizes)!, strings: sizes.length },
			within: sizes.filter((size) => size <= 1).length / sizes.length
		};
	});
}
