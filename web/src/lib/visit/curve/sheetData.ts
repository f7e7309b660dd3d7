import { centsBetween, equalHz, hz, noteClass, offsetsFromEqual } from '@fendrel/core';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import type { SheetData, Standing } from './sheet.svelte';

/** Fewer notes found than this say less than what the last visit left. */
const ENOUGH_FOUND = 12;

/** What the curve sheet is drawn from. */
export function sheetData(open: KeyboardVisit): SheetData {
	const { visit, instrument, temperament, measured, curve, about, record } = open;
	const found = foundStanding(open);
	const { last, curves } = about;
	const left: Standing | undefined = last?.left.length
		? { by: 'left', at: new Date(last.at), notes: last.left }
		: undefined;
	const standing = found.notes.length >= ENOUGH_FOUND || !left ? found : left;
	return {
		visit,
		instrument,
		temperament,
		measured,
		curve,
		curves,
		lastCurveId: lastCurveId(open),
		groups: record.groups,
		standing
	};
}

/** The curve of the visit before, where it had one that was kept. */
export function lastCurveId({ about: { last, curves } }: KeyboardVisit): string | undefined {
	return last?.stretch.by === 'curve'
		? curves.find(({ id }) => id === (last.stretch as { id: string }).id)?.id
		: undefined;
}

/** How notes were found: cents from equal at this visit's A4, the temperament that they were last set in taken out. */
function foundStanding({ visit, about, record, temperament: planned }: KeyboardVisit): Standing {
	const before = about.temperaments.find(({ id }) => id === about.last?.temperamentId) ?? planned;
	const offsets = offsetsFromEqual(before);
	const notes = [...record.groups.values()].flatMap(({ group: note, found }) => {
		if (!found) return [];
		const cents = centsBetween(equalHz(note, hz(visit.a4)), hz(found.pitch)) - offsets[noteClass(note)];
		return [{ note, cents: Number(cents.toFixed(2)) }];
	});
	return { by: 'found', at: visit.startedAt, notes };
}
