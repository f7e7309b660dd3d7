import { USUAL_HABITS } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import type { SignedIn } from '../auth/session';
import { keepHabitsOf } from '../workshop/settings';

import { accept, beginVisit, details, hand, newWorkshop, reading, withDatabase, newInstrument } from '../tests/parts';
import { visitBundle } from './books';

withDatabase();

describe('what Sound finds', () => {
	it('comes back as it was sent, and tells the plan what the strings are', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Surveyed'));
		const visitId = await beginVisit(me, instrumentId);
		const found = reading({ note: 60, source: 'file', falseBeat: 1.25, falseBeatDepth: 0.4, inharmonicity: 3e-4 });
		const open = reading({ note: 61, members: ['middle', 'left', 'right'], spread: 2.5, spreadError: 0.1 });
		await hand(me, visitId, [found, accept(found, { purpose: 'found' }), open]);
		const { visit, about } = await visitBundle(me.workshopId, visitId);
		const { events } = visit;
		const { measured } = about;
		const { partials: _, takenAt: __, ...kept } = found;
		expect(events.find(({ id }) => id === found.id)).toMatchObject(kept);
		expect(events.find(({ id }) => id === open.id)).toMatchObject({ spread: 2.5, spreadError: 0.1, falseBeat: null });
		// Several strings together tell no B.
		expect(measured.map(({ note }) => note)).toEqual([60]);
	});
});

describe('how a workshop listens', () => {
	it('is its own, and as usual until it says otherwise', async () => {
		const [me, other] = [await newWorkshop(), await newWorkshop()];
		const visitOf = async ({ workshopId, ...who }: SignedIn) =>
			beginVisit({ workshopId, ...who }, await newInstrument(workshopId, details('Heard')));
		const [mine, theirs] = [await visitOf(me), await visitOf(other)];
		const own = USUAL_HABITS.map((register) => ({ ...register, partial: 1 }));
		await keepHabitsOf(me, own);
		expect((await visitBundle(me.workshopId, mine)).about.habits).toEqual(own);
		expect((await visitBundle(other.workshopId, theirs)).about.habits).toEqual(USUAL_HABITS);
		await keepHabitsOf(me, null);
		expect((await visitBundle(me.workshopId, mine)).about.habits).toEqual(USUAL_HABITS);
	});
});
