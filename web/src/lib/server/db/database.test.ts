import { ConnectionAcquireTimeoutError } from 'sequelize';
import { isReading, reportOf, temperamentById, TEMPERAMENTS } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { FORMAT } from '$lib/record/format';
import { connect, database } from './connection';
import { isDatabaseAway, isDatabaseBusy, isDuplicate } from './faults';
import { migrate, migrator } from './migrate';
import { getInstrument, listInstruments } from './stores/instruments';
import { ANOTHER_PLACE, asTyped } from '$lib/instruments/placeChoice';
import { listLocations, placesMeant } from './stores/locations';
import { eventsOf } from './stores/record';
import { listTemperaments } from './stores/temperaments';
import { getVisit } from './stores/visits';
import { takeIn } from '../record/takeIn';
import {
	beginVisit,
	details,
	finishVisit,
	hand,
	newWorkshop,
	reading,
	replan,
	withDatabase,
	newInstrument
} from '../tests/parts';
import { visitOr404 } from '../find';
import { visitBundle, visitChanges } from '../visits/books';

withDatabase(async () => {
	await migrator(database()).down({ to: 0 });
});

describe('tables', () => {
	it('go up, down and up again, and the library is there once', async () => {
		await migrator(database()).down({ to: 0 });
		await migrate(database());
		await migrate(database());
		const library = await listTemperaments(uuid());
		expect(library.map(({ slug }) => slug).sort()).toEqual(TEMPERAMENTS.map(({ id }) => id).sort());
		for (const { slug, own, name, tuning } of library) {
			expect(own).toBe(false);
			expect({ name, tuning }).toEqual({ name: temperamentById(slug).name, tuning: temperamentById(slug).tuning });
		}
	});
});

describe('workshops', () => {
	it('do not see each other', async () => {
		const [mine, yours] = [await newWorkshop(), await newWorkshop()];
		const instrumentId = await newInstrument(mine.workshopId, details('Private'));
		const visitId = await beginVisit(mine, instrumentId);
		await hand(mine, visitId, [reading()]);
		expect(await getInstrument(yours.workshopId, instrumentId)).toBeUndefined();
		expect(await getVisit(yours.workshopId, visitId)).toBeUndefined();
		expect(await eventsOf(yours.workshopId, visitId)).toEqual([]);
		const [answer] = await hand(yours, visitId, [reading()]);
		expect(answer).toMatchObject({ answer: 'refused', why: expect.stringContaining('no such visit') });
		expect((await eventsOf(mine.workshopId, visitId)).filter(isReading)).toHaveLength(1);
		expect(await listInstruments(yours.workshopId)).toEqual([]);
		const stolen = (await visitBundle(mine.workshopId, visitId)).visit;
		const begin = { id: uuid(), counter: 1, startedAt: new Date(), instrumentId, plan: reportOf(stolen.events).plan! };
		const item = { format: FORMAT, visitId: uuid(), device: uuid(), kind: 'begin', begin };
		expect(await takeIn(yours, { now: new Date(), items: [item] })).toMatchObject([
			{ answer: 'refused', why: expect.stringContaining('no such instrument') }
		]);
		await expect(visitOr404(yours.workshopId, visitId)).rejects.toMatchObject({ status: 404 });
		await expect(visitBundle(yours.workshopId, visitId)).rejects.toMatchObject({ status: 404 });
		await expect(visitChanges(yours.workshopId, visitId, 0)).rejects.toMatchObject({ status: 404 });
		await expect(visitOr404(mine.workshopId, "x' OR '1'='1")).rejects.toMatchObject({ status: 404 });
		expect((await getVisit(mine.workshopId, visitId))?.a4).toBe(440);
	});

	it('name an instrument once, whatever the case, and leave nothing half saved', async () => {
		const me = await newWorkshop();
		await newInstrument(me.workshopId, details('Hall grand'));
		const again = newInstrument(me.workshopId, { ...details('HALL grand'), location: 'Elsewhere' });
		await expect(again.catch((error) => isDuplicate(error))).resolves.toBe(true);
		expect((await listLocations(me.workshopId)).map(({ name }) => name)).toEqual(['The hall']);
	});
});

describe('places', () => {
	const at = (location: string, town: string, place = '') => ({ ...details(`At ${uuid()}`), location, town, place });
	const written = async (workshopId: string) =>
		(await listLocations(workshopId)).map(({ name, town }) => `${name}, ${town}`).sort();

	it('of one name in two towns are two, and what differs by an accent or a sign is not the same', async () => {
		const { workshopId } = await newWorkshop();
		for (const [location, town] of [
			['Chapel', 'Saltmarsh'],
			['Chapel', 'Tern Ferry'],
			['Köln', 'A'],
			['Koln', 'A'],
			['Hall 🎹', 'B'],
			['Hall 🎻', 'B'],
			// Known by its name alone.
			['Hall 🎻', '']
		])
			await newInstrument(workshopId, at(location, town, ANOTHER_PLACE));
		expect(await written(workshopId)).toEqual([
			'Chapel, Saltmarsh',
			'Chapel, Tern Ferry',
			'Hall 🎹, B',
			'Hall 🎻, B',
			'Koln, A',
			'Köln, A'
		]);
	});

	it('that are written alike are asked about, and stay as they are unless somebody says otherwise', async () => {
		const { workshopId } = await newWorkshop();
		await newInstrument(workshopId, at('Köln', 'Rhine'));
		const [koln] = await listLocations(workshopId);
		expect(placesMeant([koln], { location: 'KOLN ', town: '' })).toEqual({ alike: [koln] });
		expect(placesMeant([koln], { location: 'Köln', town: '' })).toEqual({ is: koln });
		expect(placesMeant([koln], { location: 'Köln', town: 'Elsewhere' })).toEqual({ alike: [koln] });
		await newInstrument(workshopId, at('Koln', 'Rhine', koln.id));
		expect(await written(workshopId)).toEqual(['Köln, Rhine']);
		await newInstrument(workshopId, at('Köln', 'on the Rhine', asTyped(koln.id)));
		expect(await written(workshopId)).toEqual(['Köln, on the Rhine']);
	});
});

describe('visits', () => {
	it('go on where they were instead of starting twice, and take over what was usual', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Twice'));
		const first = await beginVisit(me, instrumentId);
		expect(await beginVisit(me, instrumentId)).toBe(first);
		const vallotti = (await listTemperaments(me.workshopId)).find(({ slug }) => slug === 'vallotti')!;
		expect((await replan(me, first, { a4: 415, temperamentId: vallotti.id })).answer).toBe('stored');
		await finishVisit(me, first, 'Fine.');
		const second = await beginVisit(me, instrumentId, new Date());
		expect(second).not.toBe(first);
		expect(await getVisit(me.workshopId, second)).toMatchObject({ a4: 415, temperamentId: vallotti.id });
		expect(await getVisit(me.workshopId, first)).toMatchObject({ note: 'Fine.', stage: 'close' });
		// What was planned, noted and finished is in the record, one after the other.
		const acts = (await eventsOf(me.workshopId, first)).flatMap((event) => (isReading(event) ? [] : event));
		expect(acts.map((act) => act.do).sort()).toEqual(['finish', 'note', 'plan', 'plan']);
		const { plan } = reportOf(acts);
		expect(plan).toMatchObject({ a4: 415, temperamentId: vallotti.id });
	});
});

describe('a database that is away', () => {
	it('is told apart from one that refuses', async () => {
		const nobody = connect('mariadb://x:y@127.0.0.1:1/none');
		const error = await nobody.sequelize.authenticate().catch((each) => each);
		expect(isDatabaseAway(error)).toBe(true);
		expect(isDatabaseAway(new Error('something else'))).toBe(false);
		// One that has more to do than it can at once is there.
		const busy = new ConnectionAcquireTimeoutError(new Error('Operation timeout'));
		expect([isDatabaseAway(busy), isDatabaseBusy(busy)]).toEqual([false, true]);
		await nobody.sequelize.close();
	});
});
