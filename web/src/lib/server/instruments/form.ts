import { createHash } from 'node:crypto';
import { defaultTwin, noteName, parseNote } from '@fendrel/core';
import type { InstrumentForm } from '$lib/instruments/instrumentForm';
import type { Instrument, InstrumentDetails } from '../db/stores/instruments';

/** The validated form as the store wants it; the twin starts from what such an instrument usually is. */
export function detailsFromForm(form: InstrumentForm, before?: Instrument): InstrumentDetails {
	const { lowest: low, highest: high, madeIn, version: _, ...rest } = form;
	const lowest = parseNote(low)!;
	const highest = parseNote(high)!;
	const sameStrings =
		before &&
		before.kind === form.kind &&
		before.lowest === lowest &&
		before.highest === highest &&
		before.usualA4 === form.usualA4;
	const seed = createHash('sha256').update(form.name).digest().readUInt32LE(0);
	const twin = sameStrings ? before.twin : defaultTwin(form.kind, lowest, highest, seed, form.usualA4);
	return { ...rest, lowest, highest, madeIn: madeIn === '' ? null : Number(madeIn), twin };
}

export function formFromInstrument(instrument: Instrument): InstrumentForm {
	const { name, kind, maker, madeIn, usualA4, notes, location, lowest, highest, version } = instrument;
	return {
		name,
		kind,
		maker,
		madeIn: madeIn === null ? '' : String(madeIn),
		usualA4,
		notes,
		version,
		location: location?.name ?? '',
		town: location?.town ?? '',
		lowest: noteName(lowest),
		highest: noteName(highest)
	};
}
