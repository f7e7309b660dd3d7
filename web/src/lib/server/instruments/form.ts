import { createHash } from 'node:crypto';
import { defaultTwin, noteName, readNote } from '@fendrel/core';
import { BLANK_NECK, neckCompassOf, neckFieldsOf, neckFrom } from '$lib/instruments/neckForm';
import { BLANK_REEDS, compassOf, reedFieldsOf, reedSetFrom } from '$lib/instruments/reedForm';
import type { InstrumentForm } from '$lib/instruments/instrumentForm';
import { setError, type SuperValidated } from 'sveltekit-superforms';
import { isStrung, type Instrument, type InstrumentDetails } from '../db/stores/instruments';
import { listLocations, placesMeant } from '../db/stores/locations';

/** The validated form as the store wants it; the twin starts from what such an instrument usually is. */
export function detailsFromForm(form: InstrumentForm, before?: Instrument): InstrumentDetails {
	const { name, kind, maker, usualA4, notes, location, town, place, madeIn } = form;
	const written = { name, kind, maker, usualA4, notes, location, town, place };
	const made = { madeIn: madeIn === '' ? null : Number(madeIn) };
	const seed = createHash('sha256').update(name).digest().readUInt32LE(0);
	if (kind === 'reeds') {
		const reeds = reedSetFrom(form);
		if ('field' in reeds) throw new RangeError(`detailsFromForm: ${reeds.text}`);
		const twin = before?.kind === 'reeds' ? before.twin : { kind: 'reeds' as const, seed };
		return { ...written, ...made, ...compassOf(reeds), reeds, neck: null, twin };
	}
	if (kind === 'frets') {
		const neck = neckFrom(form);
		if ('field' in neck) throw new RangeError(`detailsFromForm: ${neck.text}`);
		const twin = before?.kind === 'frets' ? before.twin : { kind: 'frets' as const, seed };
		return { ...written, ...made, ...neckCompassOf(neck), reeds: null, neck, twin };
	}
	const { lowest: low, highest: high } = form;
	const lowest = readNote(low)!;
	const highest = readNote(high)!;
	const sameStrings =
		before &&
		isStrung(before) &&
		before.kind === kind &&
		before.lowest === lowest &&
		before.highest === highest &&
		before.usualA4 === usualA4;
	const twin = sameStrings ? before.twin : defaultTwin(kind, lowest, highest, seed, usualA4);
	return { ...written, ...made, lowest, highest, reeds: null, neck: null, twin };
}

export function formFromInstrument(instrument: Instrument): InstrumentForm {
	const { name, kind, maker, madeIn, usualA4, notes, location, lowest, highest, version, reeds, neck } = instrument;
	return {
		...(reeds ? reedFieldsOf(reeds) : BLANK_REEDS),
		...(neck ? neckFieldsOf(neck) : BLANK_NECK),
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
