import { telephoneNotes } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { keyWords } from './keyWords';
import { effortWords, heardSchema, ownerVerdict, perhapsWords, technicianWords, type TelephoneTold } from './told';

describe('where a key lies', () => {
	it('is said from middle C', () => {
		expect([60, 69, 57, 72, 81, 48, 33, 41, 96].map(keyWords)).toEqual([
			'middle C',
			'the first A above middle C',
			'the first A below middle C',
			'the first C above middle C',
			'the second A above middle C',
			'the first C below middle C',
			'the third A below middle C',
			'the second F below middle C',
			'the third C above middle C'
		]);
	});
	it('is said of every note that is asked for, each differently', () => {
		const said = telephoneNotes(21, 108).map(keyWords);
		expect(new Set(said).size).toBe(said.length);
		expect(said.join()).not.toMatch(/\d/);
	});
});

const told: TelephoneTold = {
	...{ level: -14.2, worst: { id: 'bass', level: -18 }, error: 0.9, played: 10 },
	...{ unisons: [{ note: 72, cents: 5 }], kind: 'move', way: 'up', perhaps: [] },
	...{ minutes: 120, mostMinutes: 120, price: '€ 155', mostPrice: '€ 155' }
};

describe('what was heard by telephone', () => {
	it('is said to the owner and to the technician, each in their words', () => {
		expect(ownerVerdict(told)).toBe('Its pitch has moved far: it is brought back in several rounds, then tuned.');
		expect(technicianWords(told)).toBe('14.2 cents flat, bass worst at −18 (±0.9); unisons C5; a raise, then tune');
		expect(effortWords(told)).toBe('2 h, € 155');
	});
	it('says both where it may be one or the other', () => {
		const edge = { ...told, kind: 'tune', perhaps: ['correct'], mostMinutes: 150, mostPrice: '€ 195' } as const;
		expect(perhapsWords(edge)).toBe(
			'It may come to bringing the pitch back first: that is seen beside the instrument.'
		);
		expect(effortWords(edge)).toBe('2 h to 2 h 30, € 155 to € 195');
		expect(effortWords({ ...edge, price: null, mostPrice: null })).toBe('2 h to 2 h 30');
	});
	it('is refused where it is no playing', () => {
		const note = { note: 60, pitch: 261, error: 0.1, spread: null };
		const ok = [60, 62, 64, 65].map((each) => ({ ...note, note: each }));
		expect(heardSchema.safeParse({ notes: ok }).success).toBe(true);
		for (const notes of [ok.slice(1), [...ok, ok[0]], ok.map((each) => ({ ...each, pitch: NaN })), 'x'])
			expect(heardSchema.safeParse({ notes }).success).toBe(false);
	});
});
