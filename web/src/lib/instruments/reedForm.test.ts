import { LAYOUTS } from '@fendrel/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BLANK_REEDS, compassOf, reedFieldsOf, reedSetFrom, type ReedFields } from './reedForm';
import { instrumentSchema } from './instrumentForm';

const typed = (of: Partial<ReedFields> = {}) => reedSetFrom({ ...BLANK_REEDS, ...of });
const problem = (of: Partial<ReedFields>) => {
	const told = typed(of);
	return 'field' in told ? `${told.field}: ${told.text}` : 'none';
};

describe('a set of reeds as it is typed', () => {
	it('comes back as it was, whatever its layout', () => {
		for (const { id } of LAYOUTS) {
			const set = typed({ layout: id, tonic: 'A3', auxiliaries: 'blow 2 A3' });
			if ('field' in set) throw new Error(set.text);
			expect(reedSetFrom(reedFieldsOf(set))).toEqual(set);
		}
		const own = typed({ layout: 'own', holes: '1 C4 D4\n\n2 - G4\n3 E4', auxiliaries: 'Draw 1, Db4' });
		if ('field' in own) throw new Error(own.text);
		expect(own.layout.holes).toEqual([
			{ blow: 0, draw: 2 },
			{ blow: null, draw: 7 },
			{ blow: 4, draw: null }
		]);
		expect(own.auxiliaries).toEqual([{ hole: 1, plate: 'draw', wanted: 1 }]);
		expect(reedSetFrom(reedFieldsOf(own))).toEqual(own);
		expect(compassOf(own)).toEqual({ lowest: 60, highest: 67 });
	});

	it('is refused with the line and what is wrong with it', () => {
		const own = (holes: string, auxiliaries = '') => problem({ layout: 'own', holes, auxiliaries });
		expect(problem({ tonic: 'H9' })).toMatch(/^tonic: Write the lowest tonic as a note/);
		expect(own('1 C4 D4\n1 E4 G4')).toBe('holes: Line 2: hole 1 is there twice.');
		expect(own('1 C4 D4\n3 E4 G4')).toBe('holes: Hole 2 is missing.');
		expect(own('one C4')).toMatch(/^holes: Line 1: write the hole, its blow note/);
		expect(own('1 C4 D4 E4')).toMatch(/^holes: Line 1: write the hole/);
		expect(own('40 C4 D4')).toMatch(/holes are numbered 1 to 32/);
		expect(own('')).toBe('holes: Write each hole on a line of its own.');
		expect(own('1 - -')).toMatch(/^holes: Hole 1: a reed lies/);
		expect(own('1 C2 -')).toMatch(/^holes: Hole 1: a reed lies/);
		expect(own('1 C4 D4', 'blow 1 D4')).toMatch(/D4 does not lie below blow 1, which is C4/);
		expect(own('1 C4 -', 'draw 1 B3')).toMatch(/there is no draw reed in hole 1/);
		expect(own('1 C4 D4', 'sideways 1 B3')).toMatch(/^auxiliaries: Line 1: write the reed that bends/);
		expect(own('1 C4 D4', 'blow 1 B3\nblow 1 Bb3')).toMatch(/Line 2: blow 1 has an auxiliary reed already/);
	});

	it('is read or refused whatever is typed, and never thrown at', () => {
		fc.assert(
			fc.property(fc.string(), fc.string(), fc.string(), (tonic, holes, auxiliaries) => {
				const told = typed({ tonic, layout: 'own', holes, auxiliaries });
				expect('field' in told ? told.text.length : told.layout.holes.length).toBeGreaterThan(0);
			})
		);
	});

	it('asks no compass, which a keyboard must have', () => {
		const form = {
			...BLANK_REEDS,
			name: 'Harp',
			location: '',
			town: '',
			maker: '',
			madeIn: '',
			usualA4: 442,
			notes: ''
		};
		expect(instrumentSchema.safeParse({ ...form, kind: 'reeds' }).success).toBe(true);
		const refused = instrumentSchema.safeParse({ ...form, kind: 'upright' });
		expect(refused.error?.issues.map(({ path }) => path.join())).toEqual(['lowest', 'highest']);
		const twice = instrumentSchema.safeParse({ ...form, kind: 'reeds', layout: 'own', holes: '1 C4\n1 D4' });
		expect(twice.error?.issues[0].message).toBe('Line 2: hole 1 is there twice.');
	});
});
