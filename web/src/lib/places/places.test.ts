import { describe, expect, it } from 'vitest';
import { readClimate } from './climateCsv';
import { readCards, writeCards } from './vcard';
import { kilometres, wayBetween, wayKey, waysAmong } from './ways';

const at = (id: string, changes: object = {}) => ({
	...{ id, town: '', latitude: null, longitude: null, fromHome: null },
	...changes
});

describe('ways', () => {
	it('are as somebody has said, else by the map, else by the town', () => {
		const [a, b] = [at('a', { town: 'Saltmarsh' }), at('b', { town: 'Saltmarsh' })];
		expect(wayBetween(a, b, new Map([[wayKey('b', 'a'), 7]]))).toBe(7);
		expect(wayBetween(a, b, new Map())).toBe(10);
		expect(wayBetween(a, at('c', { town: 'Tern Ferry' }), new Map())).toBe(30);
		const north = at('n', { latitude: 51, longitude: 1 });
		// A tenth of a degree of latitude is 11.12 km.
		expect(kilometres({ latitude: 51, longitude: 1 }, { latitude: 51.1, longitude: 1 })).toBeCloseTo(11.12, 2);
		expect(wayBetween(north, at('m', { latitude: 51.1, longitude: 1 }), new Map())).toBe(26);
	});

	it('go by a third place where that is shorter', () => {
		const places = [at('a', { fromHome: 5 }), at('b', { fromHome: 6, town: 'x' }), at('c', { fromHome: 40 })];
		const ways = waysAmong(places, new Map([[wayKey('b', 'c'), 8]]));
		expect(ways).toEqual([
			[0, 5, 6, 14],
			[5, 0, 11, 19],
			[6, 11, 0, 8],
			[14, 19, 8, 0]
		]);
	});
});

describe('contacts', () => {
	const contact = {
		...{
			id: '0190aaaa-0000-7000-8000-000000000001',
			name: 'Ida Fenner',
			role: 'caretaker; keys',
			phone: '+44 1632 960001'
		},
		...{ email: 'ida@tidemill.example', note: 'Rings twice,\nthen comes.', place: 'The Tide Mill' },
		...{ town: 'Saltmarsh Quay', address: 'Sluice Lane 2' }
	};

	it('come back from a card as they went', () => {
		const { id: _, place: _p, town, address, ...said } = contact;
		expect(readCards(writeCards([contact, { ...contact, name: 'Bo' }]))).toEqual([
			{ name: 'Ida Fenner', address: `${address}, ${town}`, contact: said },
			{ name: 'Bo', address: `${address}, ${town}`, contact: { ...said, name: 'Bo' } }
		]);
	});

	it('are read from cards of version 3, folded lines and all; a card that is wrong leaves the others', () => {
		const cards = [
			'BEGIN:VCARD\nVERSION:3.0\nN:Marl;Otto;;;\nTEL;TYPE=cell:01632 960002\nNOTE:a long\n  note\nEND:VCARD',
			'BEGIN:VCARD\nVERSION:3.0\nFN:Nobody\nEMAIL:not an address\nEND:VCARD',
			'BEGIN:VCARD\nVERSION:3.0\nORG:Assembly Rooms;Office\nEND:VCARD'
		].join('\n');
		const read = readCards(cards)!;
		expect(read[0].contact).toMatchObject({ name: 'Otto Marl', phone: '01632 960002', note: 'a long note' });
		expect(read[1]).toMatchObject({ name: 'Nobody', problem: 'email: That is no e-mail address.' });
		expect(read[2].contact).toMatchObject({ name: 'Assembly Rooms' });
		expect(readCards('name,telephone\nIda,1')).toBeUndefined();
	});
});

describe('a logger’s series', () => {
	it('is read as days, each the mean of its lines; what cannot be read is counted', () => {
		const file = [
			'Time;Temperature °C;Relative humidity %',
			'14.07.2026 09:00;21,5;60',
			'14.07.2026 21:00;19,5;64',
			'2026-07-13 10:00;20;',
			'31.02.2026;20;50',
			'15.07.2026;hot;140'
		].join('\n');
		expect(readClimate(file)).toEqual({
			...{ lines: 5, left: 2 },
			days: [
				{ day: '2026-07-13', temperature: 20, humidity: null },
				{ day: '2026-07-14', temperature: 20.5, humidity: 62 }
			]
		});
		expect(readClimate('date,temp (°F)\n2026-01-02,68')).toMatchObject({
			days: [{ day: '2026-01-02', temperature: 20, humidity: null }]
		});
	});

	it('is refused with what is wrong', () => {
		expect(readClimate('a,b\n1,2')).toEqual({ problem: 'No column is headed as a date or time.' });
		expect(readClimate('date,pressure\n2026-01-01,2')).toMatchObject({
			problem: expect.stringContaining('temperature or humidity')
		});
		expect(readClimate('date,humidity\nyesterday,50')).toMatchObject({
			problem: expect.stringContaining('No line has a date')
		});
	});
});
