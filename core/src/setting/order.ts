import type { BearingPlan } from '../bearing/plan';
import type { PlannedOrder } from '../record/happened';
import { A4 } from '../units/pitch';
import { FIRST_ORDERS, type FirstStep } from './firstOrders';
import { proofDownwards, proofUpwards } from './outwards';
import type { HeardAgainst, SettingStep, WorkSection } from './step';

/** Ways outwards from the temperament octave. */
export const OUTWARDS = ['upFirst', 'downFirst'] as const;
/** When the other strings of a note follow: nobody asks; note by note; when all leading strings stand. */
export const UNISON_ORDERS = ['notAsked', 'asOneGoes', 'afterwards'] as const;
/** What is set by ear, its cents hidden: nothing, what lies outwards of the temperament, all of it. */
export const BY_EAR = ['nothing', 'outwards', 'all'] as const;

/** F3 to F4 around the circle, upwards, then downwards; one string of each note. */
export const USUAL_ORDER: PlannedOrder = {
	first: 'circle',
	octave: 53,
	outwards: 'upFirst',
	unisons: 'notAsked',
	byEar: 'nothing'
};

/**
 * Early keyboards: C to B by the temperament's table, downwards from there by octaves, and the treble last, since it drifts most;
 * the strings of other registers when all leading ones stand.
 */
export const EARLY_ORDER: PlannedOrder = {
	...USUAL_ORDER,
	...{ first: 'upwards', octave: 60, outwards: 'downFirst', unisons: 'afterwards' }
};

/** What an order of work depends on besides what is chosen. */
export interface OrderGround {
	readonly lowest: number;
	readonly highest: number;
	/** The bearing plan, where the order is one. */
	readonly bearing?: Pick<BearingPlan, 'steps'>;
	/** How many strings a note has, and whether they are wound; one plain string unless told. */
	readonly stringsAt?: (note: number) => number;
	readonly isWound?: (note: number) => boolean;
	/** Registers besides the one that leads: each is set to it, over the whole keyboard. */
	readonly registers?: readonly string[];
}

/**
 * The order of work: the reference, the temperament octave, then outwards, and where it is asked for the unisons. Notes
 * outside the compass are passed over, and so is what a note would be heard against when it is missing.
 */
export function settingOrder(ground: OrderGround, order: PlannedOrder = USUAL_ORDER): readonly SettingStep[] {
	const { lowest, highest, bearing, stringsAt = () => 1, isWound = () => false, registers = [] } = ground;
	const { first, octave, outwards, unisons } = order;
	const done = new Set<number>();
	const steps: SettingStep[] = [];
	const isSet = (note: number) => done.has(note);
	const add = (note: number, section: WorkSection, proofs: readonly HeardAgainst[] = []) => {
		if (note < lowest || note > highest || done.has(note)) return;
		const [proof, ...also] = proofs.filter(({ against }) => isSet(against));
		const step = { note, against: proof?.against, interval: proof?.interval, section };
		steps.push(also.length ? { ...step, also } : step);
		done.add(note);
		if (unisons === 'asOneGoes') steps.push(...followers(step));
	};
	/** What follows a note's leading string, register by register. */
	const followers = (step: SettingStep): readonly SettingStep[] => {
		if (registers.length) return registers.map((register) => ({ ...unisonOf(step), register }));
		return stringsAt(step.note) > 1 ? [unisonOf(step)] : [];
	};
	add(A4, 'reference');
	const named = FIRST_ORDERS.find(({ id }) => id === first) ?? FIRST_ORDERS[0];
	for (const { note, against, interval } of bearing ? byBearing(bearing) : named.steps({ octave }))
		add(note, 'temperament', against !== undefined && interval ? [{ against, interval }] : []);
	// What a bearing plan does not reach is set like the rest of the octave.
	for (let note = octave; note <= octave + 12; note++) add(note, 'temperament');
	const upwards = () => {
		for (let note = Math.max(lowest, octave + 13); note <= highest; note++)
			add(note, 'upwards', proofUpwards(note, isSet));
	};
	const downwards = () => {
		for (let note = Math.min(highest, octave + 12); note >= lowest; note--)
			add(note, 'downwards', proofDownwards(note, isSet, isWound));
	};
	for (const way of outwards === 'upFirst' ? [upwards, downwards] : [downwards, upwards]) way();
	if (unisons === 'afterwards') {
		const all = Array.from({ length: highest - lowest + 1 }, (_, i) =>
			followers({ note: lowest + i, against: undefined, interval: undefined, section: 'unisons' })
		);
		// Register by register: a whole one stays drawn.
		for (let at = 0; at < Math.max(1, registers.length); at++) steps.push(...all.flatMap((each) => each[at] ?? []));
	}
	return steps;
}

/** A bearing plan's steps: by the interval that leads each. */
const byBearing = ({ steps }: Pick<BearingPlan, 'steps'>): readonly FirstStep[] =>
	steps.map(({ note, by: [first] }) => ({
		note,
		...(first && {
			against: first.edge.lower === note ? first.edge.upper : first.edge.lower,
			interval: first.edge.kind
		})
	}));

const unisonOf = ({ note, section }: SettingStep): SettingStep => ({
	...{ note, section, against: undefined, interval: undefined, unison: true as const }
});

/** Whether a step's cents are hidden: it is set by ear. */
export function isByEar({ section, unison }: SettingStep, { byEar }: PlannedOrder): boolean {
	if (unison || section === 'raise' || section === 'touch') return false;
	return byEar === 'all' || (byEar === 'outwards' && section !== 'reference' && section !== 'temperament');
}
