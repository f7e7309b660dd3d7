import type { StringKind } from '../strings/inharmonicity';
import type { SectionId } from '../survey/sections';
import type { ReadStrike } from './hold';

/** How the lever is held, by what it is set on. */
const BY_KIND: Record<StringKind, string> = {
	upright: 'Lever upright, in line with the strings. Past it, back down; hand off.',
	grand: 'Lever in line with the strings. Past it, back down; hand off to read.',
	fortepiano: 'Lever straight on the pin, and small moves: these pins turn easily.',
	harpsichord: 'Lever straight on the pin, and small moves: these pins turn easily.'
};
const GRIPS = 'The bearing grips here: small taps, not steady force; hand off to read.';
const GRIPS_IN_RAISE = 'The bearing grips here: in a raise pull steadily, and strike hard.';
const RUSTED = 'Rust at the bearing: let it down until it frees, then up.';

/** Grades of the bearings by the sections in which they grip. */
const GRIP_SECTIONS: Readonly<Record<string, readonly SectionId[]>> = {
	gripsBass: ['bass'],
	gripsTenor: ['tenor', 'middle'],
	gripsTreble: ['treble', 'top'],
	grips: ['bass', 'tenor', 'middle', 'treble', 'top']
};

/**
 * What the hand does at a pin of a section.
 * @param bearings grade of the bearing points as they were judged on arrival
 */
export function leverAdvice(
	kind: StringKind,
	section: SectionId | undefined,
	bearings: string | undefined,
	isRaise = false
): string {
	if (bearings === 'rusted') return RUSTED;
	const grips = section !== undefined && bearings !== undefined && GRIP_SECTIONS[bearings]?.includes(section);
	if (!grips) return BY_KIND[kind];
	return isRaise ? GRIPS_IN_RAISE : GRIPS;
}

/** A string that is far off and turned moves by more than that from strike to strike, in cents. */
const FOLLOWS = 0.4;
const FAR_OFF = 2.5;
const STRIKES = 3;

/**
 * Whether a string that is far off has stayed where it was over the last strikes: whoever turned a pin meanwhile is on another
 * string's.
 * @param strikes oldest first
 */
export function staysPut(strikes: readonly ReadStrike[]): boolean {
	const last = strikes.slice(-STRIKES).map(({ off }) => off);
	return (
		last.length === STRIKES &&
		last.every((off) => Math.abs(off) > FAR_OFF) &&
		Math.max(...last) - Math.min(...last) < FOLLOWS
	);
}
