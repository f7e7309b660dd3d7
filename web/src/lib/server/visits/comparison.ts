import { breakOf, sectionsOf, summariseVisit, summaryBySection } from '@fendrel/core';
import type { ComparedVisit, Comparison } from '$lib/instruments/comparison';
import { groundOf, type VisitGround } from '$lib/visit/ground';
import { airWords } from '$lib/visit/close/accountWords';
import { keyboardBundle } from './books';

function facts({ visit, who, temperament, summary, ...open }: VisitGround): ComparedVisit {
	const { id, startedAt, a4, note } = visit;
	return {
		...{ id, startedAt, who, a4, note, temperament: temperament.name, air: airWords(open) },
		notesSet: summary.set.length,
		movedMean: summary.movedMean
	};
}

/** Whichever is earlier comes first, in whatever order they are asked for. */
export async function compareVisits(workshopId: string, ids: readonly [string, string]): Promise<Comparison> {
	const [one, other] = (await Promise.all(ids.map((id) => keyboardBundle(workshopId, id)))).map(groundOf);
	const [first, last] = one.visit.startedAt <= other.visit.startedAt ? [one, other] : [other, one];
	const { family, body, plan, instrument } = last;
	const compass = family.groups(body);
	const then = summariseVisit(first.record.groups, compass, (group) => plan.targetOf(group)?.pitch);
	const sections = sectionsOf(instrument.lowest, instrument.highest, breakOf(instrument.stringing));
	const [before, after] = [summaryBySection(then, sections), summaryBySection(last.summary, sections)];
	return {
		before: facts(first),
		after: facts(last),
		notes: compass.map((note) => ({
			note,
			leftThen: then.notes.get(note)?.left,
			found: last.summary.notes.get(note)?.found,
			left: last.summary.notes.get(note)?.left
		})),
		sections: after.map(({ id, found, left }, i) => ({ id, leftThen: before[i].left, found, left }))
	};
}
