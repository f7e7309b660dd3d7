import type { VisitPurpose } from '../record/brief';

/** How near is near enough. */
export interface NearEnough {
	/** Cents that a string may stand from its target and be left; 0: every string is set. */
	readonly tolerance: number;
	/** Beats per second that two strings of a note may make at the partial that carries them. */
	readonly unison: number;
}

export const USUAL_NEAR_ENOUGH: Readonly<Record<VisitPurpose, NearEnough>> = {
	home: { tolerance: 3, unison: 0.5 },
	lesson: { tolerance: 2, unison: 0.3 },
	institution: { tolerance: 2, unison: 0.3 },
	studio: { tolerance: 1, unison: 0.2 },
	stage: { tolerance: 0, unison: 0.15 }
};

/**
 * Cents that two strings may differ by when they may beat so often at a partial: 1200 / ln 2 * rate / frequency.
 * @param frequency of the partial that carries the beat, in Hz
 */
export function unisonCents(rate: number, frequency: number): number {
	return ((1200 / Math.LN2) * rate) / frequency;
}
