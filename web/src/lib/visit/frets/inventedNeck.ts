import { TEMPERAMENTS, USUAL_HABITS, type Neck, type NeckTwin } from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import type { FretInstrument } from '$lib/device/books';
import type { HeldVisit } from '$lib/device/shelf';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';

/* For tests: a visit to strings over frets as a device holds it before anything has happened. */

const stored = TEMPERAMENTS.map((each): StoredTemperament => ({
	...each,
	slug: each.id,
	own: false,
	version: 0,
	id: uuid()
}));
const idOf = (slug: string) => stored.find((each) => each.slug === slug)!.id;

export function heldNeck(neck: Neck, twin: NeckTwin, slug: string, a4: number): HeldVisit<FretInstrument> {
	const instrument: FretInstrument = {
		...{ id: uuid(), name: 'Invented', kind: 'frets', neck, twin, location: undefined },
		...{ lowest: 38, highest: 69, usualA4: a4 }
	};
	const plan = { id: uuid(), a4, temperamentId: idOf(slug), tolerance: 1, curveId: null, lead: null };
	const begun = { id: uuid(), device: 'd', counter: 0, at: 1, do: 'plan' as const, plan, over: [], wrote: [] };
	return {
		about: {
			...{ instrument, temperaments: stored, measured: [], curves: [], habits: USUAL_HABITS },
			...{ last: undefined, open: undefined }
		},
		visit: {
			...{ id: uuid(), instrumentId: instrument.id, startedAt: 1, stage: 'sound', seq: 0, events: [begun], moved: {} }
		},
		happened: []
	};
}
