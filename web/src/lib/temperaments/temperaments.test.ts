import {
	intervalSizes,
	offsetsFromEqual,
	PURE,
	pythagorean,
	syntonic,
	temperamentById,
	TEMPERAMENTS,
	temperingText,
	type Tuning
} from '@fendrel/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Design } from './design.svelte';
import { fromText, toCsv, toJson } from './exchange';
import { commaCheck, ringFifths, roughnessByFifths, typicalStrings } from './figures';
import { PASSAGES, sounded } from '$lib/tuning/passages';
import { draftSchema, written, type Draft } from './temperamentDraft';

const draftOf = (id: string): Draft => {
	const { id: _, ...draft } = temperamentById(id);
	return draft;
};
const library = TEMPERAMENTS.map(({ id }) => draftOf(id));
const drafts = (text: string) => {
	const imported = fromText(text);
	if ('problems' in imported) throw new Error(imported.problems.join('\n'));
	return imported.drafts.map(({ draft }) => draft);
};
const problems = (text: string) => {
	const imported = fromText(text);
	return 'problems' in imported ? imported.problems.join('\n') : '';
};

describe('files of temperaments', () => {
	it('bring the whole library back from JSON, exactly', () => {
		const back = drafts(toJson(library));
		back.forEach((draft, i) => {
			const { tuning, ...about } = library[i];
			expect({ ...about }).toEqual({ ...draft, tuning: undefined });
			// A wolf and what it works out to are one tuning: compare what they sound like, to the last bit.
			expect(written(draft.tuning)).toEqual(written(tuning));
		});
	});

	it('bring offsets back from CSV within a millionth of a cent, and all words', () => {
		const back = drafts(toCsv(library));
		back.forEach((draft, i) => {
			expect(draft.name).toBe(library[i].name);
			expect(draft.goodFor).toBe(library[i].goodFor);
			expect(draft.uses).toEqual(library[i].uses);
			const [was, is] = [offsetsFromEqual(library[i]), offsetsFromEqual(draft)];
			was.forEach((offset, note) => expect(Math.abs(offset - is[note])).toBeLessThan(1.1e-6));
		});
	});

	it('keep any table of cents and any name, quotes, commas and line ends included', () => {
		const name = fc.string({ minLength: 1, maxLength: 60 }).filter((text) => text.trim() === text && text.length > 0);
		const offsets = fc.array(fc.double({ min: -90, max: 90, noNaN: true }), { minLength: 12, maxLength: 12 });
		fc.assert(
			fc.property(name, offsets, (called, values) => {
				const draft: Draft = { ...draftOf('equal'), name: called, tuning: { by: 'cents', offsets: values } };
				const [json] = drafts(toJson([draft]));
				expect(json.name).toBe(called);
				expect(json.tuning).toEqual({ by: 'cents', offsets: values.map((value) => value + 0) });
				expect(drafts(toCsv([draft]))[0].name).toBe(called);
			})
		);
	});

	it('take what a spreadsheet makes of them: semicolons, decimal commas, flats by other names, a byte order mark', () => {
		const [draft] = drafts(
			'\uFEFFName;C;Db;D;D#;E;F;Gb;G;Ab;A;A#;B\nHafen;5,87;0;1,96;3,91;−1,96;7,82;-1,96;3,91;1,96;0;5,87;-3,91\n'
		);
		expect(draft.name).toBe('Hafen');
		expect(offsetsFromEqual(draft)[0]).toBeCloseTo(5.87, 9);
		expect(offsetsFromEqual(draft)[4]).toBeCloseTo(-1.96, 9);
	});

	it('say the line and the reason when something is wrong', () => {
		const head = 'name,C,C#,D,Eb,E,F,F#,G,G#,A,Bb,B\n';
		const zeros = ',0,0,0,0,0,0,0,0,0,0,0,0';
		expect(problems('')).toContain('empty');
		expect(problems('name,C,D\nX,0,0')).toMatch(/Line 1: the columns C#, Eb, .* missing/);
		expect(problems(`${head}Fine${zeros}\nBad,0,x,0,0,0,0,0,0,0,0,0,0`)).toBe(
			'Line 3, Bad: the offset of C# is "x", not a number of cents.'
		);
		expect(problems(`${head}Twice${zeros}\ntwice${zeros}`)).toContain('Line 3, twice: the same name stands in line 2');
		expect(problems(`${head}NaN,NaN,0,0,0,0,0,0,0,0,0,0,0`)).toContain('Line 2');
		expect(problems(`${head}Far,900,0,0,0,0,0,0,0,0,0,0,0`)).toContain('900.0 cents');
		expect(problems(`${head}Eleven,0,0,0,0,0,0,0,0,0,0,0`)).toContain('the offset of B is ""');
		expect(problems('{\n"format": "fendrel-temperaments",\n]')).toContain('Line 3');
		expect(problems('{"format":"other"}')).toContain('fendrel-temperaments');
	});

	it('say it of JSON entries too, by their line', () => {
		const file = (tuning: unknown) =>
			JSON.stringify({ format: 'fendrel-temperaments', version: 1, temperaments: [{ name: 'One', tuning }] }, null, 1);
		const fifths = (text: string) => ({ by: 'fifths', fifths: Array.from({ length: 12 }, () => text) });
		expect(problems(file(fifths('pure')))).toMatch(/^Line 6, One: The fifths do not close/);
		expect(problems(file(fifths('1/6 X')))).toContain('The fifth C-G is "1/6 X"');
		expect(problems(file({ by: 'cents', offsets: new Array(11).fill(0) }))).toContain('11 offsets');
		expect(problems(file({ by: 'cents', offsets: new Array(12).fill('a') }))).toContain('not a number');
		expect(problems(file({ by: 'ratios', ratios: new Array(12).fill('7') }))).toContain('between 1/1 and 2/1');
		expect(problems(file({ by: 'guess' }))).toContain('"fifths", by "cents" or by "ratios"');
	});

	it('want a name of a length that fits', () => {
		const wire = { ...draftOf('equal'), tuning: written(draftOf('equal').tuning) };
		expect(draftSchema.safeParse({ ...wire, name: '  ' }).error?.issues[0].message).toContain('name');
		expect(draftSchema.safeParse({ ...wire, name: 'x'.repeat(81) }).error?.issues[0].message).toContain('80');
	});
});

describe('designing', () => {
	const total = (tuning: Tuning) => commaCheck({ tuning }).total;

	it('always places the whole comma, whatever is done, and goes back step by step', () => {
		const action = fc.oneof(
			fc.record({ do: fc.constant('set' as const), step: fc.nat(11), den: fc.integer({ min: 2, max: 24 }) }),
			fc.record({ do: fc.constant('move' as const), step: fc.nat(11), den: fc.integer({ min: 2, max: 24 }) }),
			fc.record({ do: fc.constant('rest' as const), step: fc.nat(11), den: fc.constant(1) })
		);
		fc.assert(
			fc.property(fc.array(action, { maxLength: 20 }), (actions) => {
				const design = new Design(temperamentById('vallotti').tuning);
				const states = [design.state];
				for (const { do: what, step, den } of actions) {
					if (what === 'set') design.setFifth(step, syntonic(1, den));
					else if (what === 'move') design.move(step, (step + 5) % 12, pythagorean(1, den));
					else design.takeRest(step);
					if (design.state !== states.at(-1)) states.push(design.state);
					expect(total(design.tuning)).toBeCloseTo(23.46001, 5);
				}
				for (const state of [...states].reverse().slice(1)) {
					design.undo();
					expect(design.state).toBe(state);
				}
				expect(design.canUndo).toBe(false);
				for (const state of states.slice(1)) {
					design.redo();
					expect(design.state).toBe(state);
				}
			}),
			{ numRuns: 60 }
		);
	});

	it('does not set the fifth that takes the rest, but lets another take it', () => {
		const design = new Design(temperamentById('equal').tuning);
		design.setFifth(8, PURE);
		expect(design.canUndo).toBe(false);
		design.takeRest(0);
		design.setFifth(8, PURE);
		if (design.state.by !== 'fifths') throw new Error('by cents');
		expect(temperingText(design.state.fifths[0])).toBe('1/6 P');
	});

	it('goes over to cents without moving a note, and sets notes there', () => {
		const design = new Design(temperamentById('werckmeister-3').tuning);
		design.toCents();
		const [was, is] = [
			offsetsFromEqual(temperamentById('werckmeister-3')),
			offsetsFromEqual({ tuning: design.tuning })
		];
		was.forEach((offset, i) => expect(Math.abs(offset - is[i])).toBeLessThan(0.0011));
		design.setOffset(4, Number.NaN);
		expect(design.state).toMatchObject({ by: 'cents' });
		design.setOffset(4, -3.5);
		expect(offsetsFromEqual({ tuning: design.tuning })[4]).toBeCloseTo(-3.5, 9);
		design.undo();
		design.undo();
		expect(design.state.by).toBe('fifths');
		// Ratios are designed on as cents.
		expect(new Design(temperamentById('just-ptolemaic').tuning).state.by).toBe('cents');
	});
});

describe('what is shown and heard', () => {
	it('draws wolves as wide fifths with a text that fits', () => {
		const wolf = ringFifths(temperamentById('meantone-quarter'))[8];
		expect(wolf.narrow).toBeCloseTo(-35.68, 2);
		expect(wolf.text).toBe('35.7 c wide');
		expect(
			roughnessByFifths(typicalStrings(temperamentById('equal'), 'upright', 440)).every((r) => Math.abs(r - 1) < 1e-9)
		).toBe(true);
	});

	it('has passages that stay within a keyboard in every key, on strings tuned to the temperament', () => {
		const temperament = temperamentById('meantone-quarter');
		const strings = typicalStrings(temperament, 'harpsichord', 415);
		for (const passage of PASSAGES)
			for (let key = 0; key < 12; key++)
				for (const { at, seconds, voices } of sounded(passage, key, strings)) {
					expect(at).toBeGreaterThanOrEqual(0);
					expect(seconds).toBeGreaterThan(0.5);
					for (const { note } of voices) {
						expect(note).toBeGreaterThanOrEqual(36);
						expect(note).toBeLessThanOrEqual(84);
					}
				}
		const third = sounded(
			PASSAGES.find(({ id }) => id === 'third')!,
			0,
			strings
		)[0].voices;
		const size = 1200 * Math.log2(third[1].string.flexiblePitch / third[0].string.flexiblePitch);
		// Fundamentals lie a hair under first partials on stiff strings.
		expect(size).toBeCloseTo(intervalSizes(temperament, 4)[0], 1);
	});
});
