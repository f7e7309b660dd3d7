/** Parts of a keyboard that move by themselves, from the lowest up. */
export const SECTION_IDS = ['bass', 'tenor', 'middle', 'treble', 'top'] as const;
export type SectionId = (typeof SECTION_IDS)[number];

export interface Section {
	readonly id: SectionId;
	/** Both ends belong to it. */
	readonly from: number;
	readonly to: number;
}

/** Where sections end when no break says so: B2, B3, E♭5, B6. */
const ENDS: Readonly<Record<SectionId, number>> = { bass: 47, tenor: 59, middle: 75, treble: 95, top: Infinity };

/** Sections of a keyboard; the bass ends at the break where there is one. */
export function sectionsOf(lowest: number, highest: number, breakNote: number | undefined): readonly Section[] {
	let from = lowest;
	return SECTION_IDS.flatMap((id) => {
		const end = id === 'bass' && breakNote !== undefined ? breakNote - 1 : ENDS[id];
		const section = { id, from, to: Math.min(end, highest) };
		if (section.to < section.from) return [];
		from = section.to + 1;
		return [section];
	});
}
