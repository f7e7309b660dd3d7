import {
	USUAL_BANDS,
	USUAL_CAP,
	USUAL_NEAR_ENOUGH,
	USUAL_THRESHOLDS,
	VISIT_PURPOSES,
	type ExaminationBands,
	type Intervals,
	type NearEnough,
	type NoteRun,
	type RaiseOrder,
	type RaiseSchool,
	type Tariff,
	type Thresholds,
	type Unisons,
	type VisitPurpose
} from '@fendrel/core';
import { USUAL_WRITING, type Writing } from '$lib/ui/writing';
import { fixed } from '$lib/ui/format';

/** How a raise is made. */
export interface RaiseChoice {
	readonly school: RaiseSchool;
	readonly order: RaiseOrder;
	/** Cents above their targets that strings are set to at most. */
	readonly cap: number;
	/** Runs of notes, where the order is the workshop's own. */
	readonly own?: readonly NoteRun[];
	/** Not said: strings of a note are set together. */
	readonly unisons?: Unisons;
}
export const USUAL_RAISE: RaiseChoice = { school: 'coupled', order: 'bassFirst', cap: USUAL_CAP };

/** What a visit is for. */
export const PURPOSE_NAMES: Readonly<Record<VisitPurpose, string>> = {
	home: 'Home',
	lesson: 'Lessons',
	institution: 'Institution',
	studio: 'Studio',
	stage: 'Stage'
};

/** What a workshop decides once, for all its visits. */
export interface Settings {
	/** By what a visit is for: how near is near enough, and when which work is asked for; cents and beats per second. */
	readonly purposes: Readonly<Record<VisitPurpose, NearEnough & Thresholds>>;
	readonly raise: RaiseChoice;
	/** Minutes, as long as too few visits of its own tell them. */
	readonly minutes: Tariff;
	/** Money; a tuning that costs nothing: prices are not told. */
	readonly price: Tariff;
	/** What stands before a price, or after it: a sign, or letters. */
	readonly currency: string;
	/** Months until an instrument falls due again. */
	readonly again: Intervals;
	/** How strict an examination is; not said: as usual. */
	readonly examination?: ExaminationBands;
	/** How notes, figures and days are written; not said: as usual. */
	readonly writing?: Writing;
}

export const USUAL_SETTINGS: Settings = {
	purposes: Object.fromEntries(
		VISIT_PURPOSES.map((purpose) => [purpose, { ...USUAL_NEAR_ENOUGH[purpose], ...USUAL_THRESHOLDS }])
	) as Settings['purposes'],
	raise: USUAL_RAISE,
	minutes: { visit: 15, note: 4, tuning: 75, pass: 30 },
	price: { visit: 0, note: 0, tuning: 0, pass: 0 },
	currency: '€',
	again: { inUse: 6, hardly: 12, stage: 1 },
	examination: USUAL_BANDS,
	writing: USUAL_WRITING
};

/** "€ 145": whole, as prices are told; nothing where a workshop names no price. */
export function money({ price, currency }: Settings, amount: number): string | undefined {
	return price.tuning > 0 ? `${currency} ${fixed(amount, 0)}`.trim() : undefined;
}
