import { createHash } from 'node:crypto';
import { defaultTwin, noteName, parseNote } from '@fendrel/core';
import type { InstrumentForm } from '$lib/instruments/instrumentForm';
import { setError, type SuperValidated } from 'sveltekit-superforms';
import type { Instrument, InstrumentDetails } from '../db/stores/instruments';
import { listLocations, placesMeant } from '../db/stores/locations';

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
		place: '',
		lowest: noteName(lowest),
		highest: noteName(highest)
	};
}

/** A place that is written like another one: which of them is meant is asked, and never guessed. */
export async function askWhichPlace(workshopId: string, form: SuperValidated<InstrumentForm>) {
	const { location, town, place } = form.data;
	if (location === '' || place !== '') return undefined;
	const meant = placesMeant(await listLocations(workshopId), { location, town });
	if ('is' in meant || meant.alike.length === 0) return undefined;
	setError(form, 'location', 'There is a place that is written like this. Say which is meant.');
	return { form, alike: meant.alike.map(({ id, name, town: of }) => ({ id, name, town: of })) };
}
