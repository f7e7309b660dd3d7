import type { InstrumentKind } from '@fendrel/core';

/** Where a part lies in the picture of its instrument. */
export interface PartShape {
	readonly part: string;
	/** Outline, as a path. */
	readonly path: string;
	/** Where its name stands, and the width that words have there. */
	readonly x: number;
	readonly y: number;
	readonly width: number;
	/** What was said stands beside the name, not beneath it. */
	readonly isFlat: boolean;
}

/** Keys on the computer's keyboard, in the order of the parts. */
export const PART_KEYS = '1234567890-';
/** The same of a part's grades. */
export const GRADE_KEYS = 'asdfgh';
export const PICTURE = { width: 760, height: 262 } as const;

const FLAT = 30;
const box = (part: string, x: number, y: number, width: number, height: number): PartShape => ({
	part,
	path: `M${x} ${y}h${width}v${height}h${-width}z`,
	x: x + 10,
	y: y + 20,
	width: width - 16,
	isFlat: height <= FLAT
});
const shape = (part: string, path: string, x: number, y: number, width: number): PartShape => ({
	...{ part, path, x, y, width },
	isFlat: false
});

/** An upright with its front open: block on top, strings over the plate, bridges across, keys below, pedals at its foot. */
const PIANO: readonly PartShape[] = [
	box('pins', 1, 1, 560, 30),
	box('bearings', 1, 35, 560, 30),
	shape('bass', 'M1 69h196l-74 92h-122z', 11, 91, 140),
	shape('tenor', 'M201 69h170l-34 92h-210z', 205, 91, 150),
	shape('treble', 'M375 69h186v92h-220z', 383, 91, 172),
	box('bridges', 1, 165, 560, 30),
	box('action', 1, 199, 340, 62),
	box('pedals', 345, 199, 216, 62),
	box('plate', 567, 1, 192, 84),
	box('repairs', 567, 89, 192, 84),
	box('room', 567, 177, 192, 84)
];

/** An early keyboard from above: pins and strings, bridge and soundboard beneath, registers, keys in front. */
const EARLY: readonly PartShape[] = [
	box('pins', 1, 1, 430, 30),
	box('strings', 1, 35, 430, 60),
	box('bridges', 1, 99, 430, 46),
	box('plectra', 1, 149, 213, 50),
	box('stops', 218, 149, 213, 50),
	box('jacks', 1, 203, 430, 58),
	shape('case', 'M437 1h322c0 80 -130 112 -180 128h-142z', 450, 24, 220),
	box('repairs', 437, 133, 158, 128),
	box('room', 601, 133, 158, 128)
];

/** A harmonica laid open: covers, blow plate, comb and draw plate one above the other, and what is looked at on the reeds. */
const REEDS: readonly PartShape[] = [
	box('covers', 1, 1, 560, 30),
	box('blowPlate', 1, 35, 560, 50),
	box('comb', 1, 89, 560, 50),
	box('drawPlate', 1, 143, 560, 50),
	box('gaps', 1, 197, 278, 64),
	box('reeds', 283, 197, 278, 64),
	box('rust', 567, 1, 192, 84),
	box('filed', 567, 89, 192, 84),
	box('hygiene', 567, 177, 192, 84)
];

/** A neck from above with its pegbox to the left, the body to the right: where each part lies. */
const FRETTED: readonly PartShape[] = [
	shape('pegs', 'M1 79h112v104h-112z', 11, 99, 96),
	box('nut', 117, 79, 92, 104),
	box('frets', 213, 79, 164, 50),
	box('neck', 213, 133, 164, 50),
	box('strings', 117, 1, 442, 72),
	shape('body', 'M381 79h178v182h-178z', 391, 99, 160),
	box('bridge', 117, 189, 260, 72),
	box('room', 567, 1, 192, 260)
];

export function shapesOf(kind: InstrumentKind): readonly PartShape[] {
	if (kind === 'reeds') return REEDS;
	if (kind === 'frets') return FRETTED;
	return kind === 'grand' || kind === 'upright' ? PIANO : EARLY;
}
