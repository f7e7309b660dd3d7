import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import { book } from '../../diary/bookings';
import { keepContact, keepPlace } from '../../places/keep';
import { beginVisit, details, finishVisit, newInstrument, newWorkshop, withDatabase } from '../../tests/parts';
import { searchAll } from './search';

withDatabase();

describe('search over everything', () => {
	it('finds what holds all of the words, capitals and accents as one likes, in one’s own workshop only', async () => {
		const [me, other] = [await newWorkshop(), await newWorkshop()];
		const place = uuid();
		const blank = { address: 'Lane 2', entry: 'Key under the Möwe', latitude: null, longitude: null, fromHome: null };
		await keepPlace(me, place, { name: 'Sluice house', town: 'Quay', version: 0, ...blank });
		await keepContact(me, uuid(), {
			...{ name: 'Ida Möwe', role: 'owner', phone: '', email: '', note: '', locationId: place, version: 0 }
		});
		const instrument = await newInstrument(me.workshopId, { ...details('Möwe upright'), notes: 'buzzes' });
		const visit = await beginVisit(me, instrument);
		await finishVisit(me, visit, 'The mowe sings 100 % flat');
		await book(me, [
			{
				...{ id: uuid(), userId: me.userId, locationId: place, instruments: [], minutes: 60, promised: '' },
				...{ startsAt: '2026-07-14T09:00:00.000Z', purpose: 'Möwe supper' }
			}
		]);
		const kinds = async (words: string, who = me) =>
			(await searchAll(who.workshopId, words)).map(({ kind, name }) => `${kind} ${name}`);
		expect(await kinds('MOWE')).toEqual([
			...['instrument Möwe upright', 'place Sluice house', 'contact Ida Möwe', 'booking Möwe supper'],
			'visit Möwe upright'
		]);
		expect(await kinds('mowe flat')).toEqual(['visit Möwe upright']);
		expect(await kinds('100 %')).toEqual(['visit Möwe upright']);
		expect(await kinds('buzzes upright')).toEqual(['instrument Möwe upright']);
		expect((await kinds('vallotti', other)).length).toBeGreaterThan(0);
		expect(await kinds('mowe', other)).toEqual([]);
		expect(await kinds('  ')).toEqual([]);
		expect(await kinds("' OR 1=1 --")).toEqual([]);
	});
});
