/** Which notes a survey reads: few, about thirty chosen for what they tell, or every one. */
export const SAMPLE_IDS = ['quick', 'sampled', 'thorough'] as const;
export type SampleId = (typeof SAMPLE_IDS)[number];

const QUICK = 13;
const SAMPLED = 30;
/** F3 to F4: what temperament and curve rest on is always read whole, unless somebody declines. */
export const TEMPERAMENT_OCTAVE = { from: 53, to: 65 } as const;
/** Notes on either side of the break that are read. */
const AT_BREAK = 2;

export interface SampleWishes {
	readonly lowest: number;
	readonly highest: number;
	readonly breakNote?: number;
	/** Notes whose strings are odd, or that jumped at earlier visits. */
	readonly odd?: readonly number[];
	/** F3 to F4 need not be whole. */
	readonly declined?: boolean;
}

/** The notes that a survey reads, from the lowest up. */
export function sample(id: SampleId, wishes: SampleWishes): readonly number[] {
	const { lowest, highest, breakNote, odd = [], declined = false } = wishes;
	const all = Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i);
	if (id === 'thorough' || all.length <= QUICK) return all;
	const chosen = new Set([lowest, highest]);
	const add = (note: number) => note >= lowest && note <= highest && chosen.add(note);
	if (breakNote !== undefined) {
		const reach = id === 'quick' ? 1 : AT_BREAK;
		for (let note = breakNote - reach; note < breakNote + reach; note++) add(note);
	}
	add(69);
	if (id === 'sampled') {
		if (!declined) for (let note = TEMPERAMENT_OCTAVE.from; note <= TEMPERAMENT_OCTAVE.to; note++) add(note);
		// What is odd first, as far as room is left for an even spread over the rest.
		for (const note of odd) if (chosen.size < SAMPLED - 6) add(note);
	}
	const wanted = Math.min(id === 'quick' ? QUICK : SAMPLED, all.length);
	while (chosen.size < wanted) add(middleOfWidestGap([...chosen].sort((a, b) => a - b)));
	return all.filter((note) => chosen.has(note));
}

function middleOfWidestGap(notes: readonly number[]): number {
	let at = 1;
	for (let i = 1; i < notes.length; i++) if (notes[i] - notes[i - 1] > notes[at] - notes[at - 1]) at = i;
	return Math.floor((notes[at - 1] + notes[at]) / 2);
}
