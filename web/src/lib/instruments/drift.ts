import type { DriftPrediction, DriftVisit } from '@fendrel/core';
import { fixed, signed } from '$lib/ui/format';

/** How an instrument is expected to stand. */
export interface InstrumentDrift {
	readonly ahead: readonly (DriftPrediction & { readonly at: number })[];
	/** Today, section by section; trend in cents a year. */
	readonly sections: readonly (DriftPrediction & { readonly id: string; readonly trend: number })[];
	/** What makes it drift, in words. */
	readonly explained: string;
	/** What the newest visit met, beside what the air did. */
	readonly changed: string;
	/** Where to leave it now, so that it is right on the average until then. */
	readonly leave: DriftPrediction & { readonly until: number };
	/** Visits that it rests on, and instruments of the same house and kind. */
	readonly visits: number;
	readonly neighbours: number;
}

/** "Up 4.1 cents with 12 % more humidity": from how it was left to how it was found. @param visits in order of time */
export function changeWords(visits: readonly DriftVisit[]): string {
	const [before, last] = visits.slice(-2);
	if (!last || before.left === undefined) return '';
	const moved = last.found - before.left;
	const size = `${fixed(Math.abs(moved), 1)} cents`;
	const went = Math.abs(moved) < 0.5 ? 'It stayed' : moved > 0 ? `Up ${size}` : `Down ${size}`;
	if (before.humidity === undefined || last.humidity === undefined) return `${went}.`;
	const damper = Math.round(last.humidity - before.humidity);
	if (damper === 0) return `${went} in the same air.`;
	return `${went} with ${Math.abs(damper)} % ${damper > 0 ? 'more' : 'less'} humidity.`;
}

/** "Leave it 1.8 cents high: then it is right on the average until 14 January." */
export function leaveWords({ cents, error }: DriftPrediction, until: string): string {
	if (Math.abs(cents) < 0.5) return `Leave it on its pitch: that is right on the average until ${until}.`;
	const high = cents > 0 ? 'high' : 'low';
	const sure = Math.abs(cents) < error ? ', though that is not certain' : '';
	return `Leave it ${fixed(Math.abs(cents), 1)} cents ${high}: then it is right on the average until ${until}${sure}.`;
}

export const sectionWords = ({ cents, error, trend }: DriftPrediction & { readonly trend: number }): string =>
	`${signed(cents)} ±${fixed(error, 1)}, ${signed(trend)} a year`;
