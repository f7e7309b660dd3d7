import type { Examined, ExaminedSection } from '@fendrel/core';
import { fixed, signed } from '$lib/ui/format';

/** What is examined, as it is printed. */
export const EXAMINED_NAMES: Readonly<Record<Examined, string>> = {
	pitch: 'Pitch, A4',
	temperament: 'Temperament, F3 to F4',
	bass: 'Bass, up to E3',
	middle: 'Middle, F♯4 to C6',
	treble: 'Treble, C♯6 to C7',
	top: 'Top, from C♯7',
	unisons: 'Unisons',
	holding: 'Holding'
};

const SHOWN = 8;

/** "A3 −2.4 (3), C4 +1.2 (2)": notes that lost points, in cents, and how many. */
export function lostWords(lost: ExaminedSection['lost'], nameOf: (note: number) => string): string {
	if (lost.length === 0) return 'nothing lost';
	const shown = lost.slice(0, SHOWN).map(({ note, cents, points }) => `${nameOf(note)} ${signed(cents)} (${points})`);
	return `${shown.join(', ')}${lost.length > SHOWN ? ` and ${lost.length - SHOWN} more` : ''}`;
}

/** "87", or a dash where nothing was read. */
export const outOf100 = (score: number | undefined) => (score === undefined ? '–' : fixed(score, 0));
