import { cents, hz, type StringReading, type SurveyedNote, type UnisonAnalysis } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { readingSchema } from '../schema';
import { foundNotes, foundReading } from './found';
import { soundKeyAction } from './keys';
import { foundWords } from './words';

const reading: StringReading = {
	note: 57,
	struckAt: 3,
	moment: 0.6,
	pitch: hz(219),
	pitchError: cents(0.03),
	fundamental: hz(218.9),
	inharmonicity: 3e-4,
	inharmonicityError: 2e-6,
	partials: [{ partial: 1, frequency: hz(219), error: 0.001, level: -30, decay: undefined }]
};
const analysis: UnisonAnalysis = { partials: [], told: 1, spread: undefined, unresolved: cents(0.4) };
const one = { string: 'middle', strings: 1, source: 'file', target: 220 } as const;
const spread = { cents: cents(1.8), error: cents(0.05) };

describe('what Sound keeps of a strike', () => {
	it('passes the schema, is found and not accepted, and comes back as it was', () => {
		const kept = foundReading(reading, analysis, one);
		expect(readingSchema.parse(JSON.parse(JSON.stringify(kept)))).toMatchObject({
			found: true,
			accepted: false,
			source: 'file',
			deviation: expect.closeTo(1200 * Math.log2(219 / 220), 6),
			falseBeat: 0,
			spread: null
		});
		expect(foundNotes([kept]).get(57)).toMatchObject({
			strikes: 1,
			pitch: expect.closeTo(219, 9),
			inharmonicity: { b: expect.closeTo(3e-4, 9) },
			falseBeat: 'none',
			open: false,
			again: undefined
		});
	});

	it('keeps the spread of several strings, which tell no B', () => {
		const kept = foundReading(reading, { ...analysis, spread }, { ...one, string: 'open', strings: 3 });
		expect(kept).toMatchObject({ spread: 1.8, spreadError: 0.05, falseBeat: null });
		expect(foundNotes([kept]).get(57)).toMatchObject({ open: true, spread, inharmonicity: undefined });
	});

	it('takes no reading of Set for one of Sound', () => {
		expect(foundNotes([{ ...foundReading(reading, undefined, one), found: false }]).size).toBe(0);
	});

	it('reads what was sent before Sound was there', () => {
		const {
			found: _f,
			falseBeat: _b,
			falseBeatDepth: _d,
			spread: _s,
			spreadError: _e,
			listened: _l,
			...before
		} = foundReading(reading, undefined, one);
		expect(readingSchema.parse(before)).toMatchObject({ found: false, falseBeat: null, listened: null });
	});
});

describe('what was found, in words', () => {
	const note: SurveyedNote = {
		note: 57,
		pitch: hz(219),
		pitchError: cents(0.03),
		inharmonicity: { b: 3e-4, error: 6e-6 },
		open: false,
		falseBeat: 'none',
		spread: undefined,
		strikes: 1,
		again: undefined
	};
	it('tells stiffness, beat and what else is to be done', () => {
		expect(foundWords(note)).toEqual({ stiffness: 'B 3·10⁻⁴ ±2 %', beat: 'no false beat', again: undefined });
		expect(foundWords({ ...note, falseBeat: { rate: 1.26, depth: 0.4 } }).beat).toBe('false beat, 1.3 a second');
		expect(foundWords({ ...note, falseBeat: undefined, again: 'strikes differ' })).toMatchObject({
			beat: 'too short to tell a false beat',
			again: 'Its strikes differ: strike it once more.'
		});
		const open = { ...note, open: true, inharmonicity: undefined, falseBeat: undefined };
		expect(foundWords({ ...open, spread })).toMatchObject({
			stiffness: 'B is told by one string only',
			beat: 'unison spread 1.8 cents'
		});
		expect(foundWords({ ...open, spread: 'none' }).beat).toBe('unison still');
		expect(foundWords({ ...note, inharmonicity: undefined }).stiffness).toBe('too few partials to tell B');
	});
});

describe('keys in Sound', () => {
	const press = (key: string, change = {}) =>
		soundKeyAction({ key, shiftKey: false, ctrlKey: false, metaKey: false, altKey: false, target: null, ...change });
	it('follow the pedal, and leave the browser its own', () => {
		expect(press('PageDown')).toEqual({ do: 'next' });
		expect(press('PageUp')).toEqual({ do: 'previous' });
		expect(press('L')).toEqual({ do: 'listen' });
		expect(press('l', { ctrlKey: true })).toBeUndefined();
		expect(press('x')).toBeUndefined();
	});
});
