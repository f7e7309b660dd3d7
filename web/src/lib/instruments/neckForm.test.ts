import { NECKS, isTied } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import {
	BLANK_NECK,
	neckCompassOf,
	neckFacts,
	neckFieldsOf,
	neckFrom,
	readLength,
	readStrings,
	type NeckFields
} from './neckForm';

const typed = (fields: Partial<NeckFields>) => neckFrom({ ...BLANK_NECK, ...fields });
const problem = (fields: Partial<NeckFields>) => {
	const told = typed(fields);
	return 'field' in told ? `${told.field}: ${told.text}` : undefined;
};

describe('a neck as its fields say', () => {
	it('is the usual one where nothing is typed, and comes back as it was written', () => {
		for (const { id, neck } of NECKS.filter(({ neck }) => isTied(neck))) {
			const read = typed({ neck: id, stuff: neck.stuff });
			expect(read).toMatchObject({ strings: neck.strings, scale: neck.scale, frets: neck.frets });
			if ('field' in read) throw new Error(read.text);
			expect(neckFrom(neckFieldsOf(read))).toEqual(read);
		}
		const own = typed({
			neck: 'own',
			neckFamily: 'lute',
			openStrings: 'G4 D4+D4 G3+G2',
			scale: '60 cm',
			fretPlaces: '1 33,5 33.1'
		});
		expect(own).toMatchObject({
			scale: 600,
			places: [{ low: 33.5, high: 33.1 }, null, null, null, null, null, null, null]
		});
		if ('field' in own) throw new Error(own.text);
		expect(own.strings.map(({ course }) => course)).toEqual(['single', 'unison', 'octave']);
		expect(neckFrom(neckFieldsOf(own))).toEqual(own);
		expect(neckCompassOf(own)).toEqual({ lowest: 43, highest: 75 });
		expect(neckFacts(own)).toEqual([
			['Strings', 'G4, D4+D4 and G2+G3, gut'],
			['Scale', '600 mm'],
			['Frets', '8, tied']
		]);
	});

	it('understands mm, cm and inches, and refuses what may be either', () => {
		for (const [text, value] of [
			['690', 690],
			['690 mm', 690],
			['69 cm', 690],
			['69,5cm', 695],
			['27.2 in', 690.88],
			['27.2"', 690.88]
		] as const)
			expect(readLength(text)).toEqual({ value: expect.closeTo(value, 9) });
		expect(readLength('27')).toEqual({ problem: '27 what? Write mm, cm or in behind it, as in 27 in.' });
		for (const wrong of ['', 'long', '-3 mm', '69 feet']) expect(readLength(wrong)).toHaveProperty('problem');
	});

	it('is refused with the reason, by its field', () => {
		expect(problem({ neck: 'own', openStrings: '' })).toMatch(/^openStrings: Write the open strings/);
		expect(problem({ neck: 'own', openStrings: 'D2 G2 C3' })).toMatch(/^openStrings: These go from the lowest up/);
		expect(problem({ neck: 'own', openStrings: 'D4 X3' })).toBe(
			'openStrings: “X3” is no string. Write notes such as D4 A3 E3, a course as F3+F3 or F3+F4.'
		);
		expect(problem({ neck: 'own', openStrings: 'D4 F3+A3' })).toMatch(/one note, or an octave apart/);
		expect(problem({ neck: 'own', openStrings: 'D9 A3' })).toMatch(/String 1: strings lie between/);
		expect(problem({ scale: '20 mm' })).toMatch(/^scale: A scale of 20 mm/);
		expect(problem({ frets: '0' })).toMatch(/^frets: /);
		expect(problem({ actionLast: 'high' })).toMatch(/^actionLast: /);
		expect(problem({ fretPlaces: '1 39\n2 38' })).toMatch(/^fretPlaces: Fret 2 does not lie beyond/);
		expect(problem({ fretPlaces: '9 39' })).toBe('fretPlaces: Line 1: there is no fret 9.');
		expect(problem({ fretPlaces: '1 39\n1 40' })).toBe('fretPlaces: Line 2: fret 1 is there twice.');
		expect(problem({ capo: '7' })).toMatch(/^capo: There is no fret 7/);
	});

	it('may be tuned otherwise than usual: a scordatura stays in its order of strings', () => {
		expect(readStrings('D4 A3 E3 C3 G2 C2')).toMatchObject({ value: { length: 6 } });
		expect(problem({ neck: 'own', openStrings: 'D4 A3 E3 C3 G2 C2' })).toBeUndefined();
		// A treble string tuned below its neighbour, as on some large lutes.
		expect(problem({ neck: 'own', openStrings: 'G3 D4 A3 E3' })).toBeUndefined();
	});
});
