import { cents, hz, sounderId, type StringReading, type SurveyedNote, type UnisonAnalysis } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import type { Made } from '$lib/handover/outbox';
import { itemSchema } from '$lib/record/record';
import { VisitRecord } from '../visitRecord.svelte';
import { foundDetails, foundNotes } from './found';
import { soundKeyAction } from './soundKeys';
import { foundWords } from './foundWords';

const reading: StringReading = {
	note: 57,
	struckAt: 3,
	moment: 0.6,
	pitch: hz(219),
	pitchError: cents(0.03),
	flexiblePitch: hz(218.9),
	inharmonicity: 3e-4,
	inharmonicityError: 2e-6,
	partials: [{ partial: 1, frequency: hz(219), error: 0.001, level: -30, decay: undefined }]
};
const analysis: UnisonAnalysis = { partials: [], told: 1, spread: undefined, unresolved: cents(0.4) };
const middle = [sounderId(57, 'middle')];
const one = { sounders: middle, source: 'file', target: hz(220) } as const;
const spread = { cents: cents(1.8), error: cents(0.05) };

/** A record that keeps to itself what it hands over. */
function recordOf() {
	const made: Made[] = [];
	let counter = 0;
	const stamp = () => ({ id: uuid(), device: uuid(), counter: ++counter, at: Date.UTC(2026, 9, 1) + counter });
	const add = async (_: string, all: readonly Made[]) => void made.push(...all);
	const record = new VisitRecord(uuid(), [], { stamp, add, placed: (_, at) => at });
	const find = (analysed: UnisonAnalysis | undefined, of: Parameters<typeof foundDetails>[2] = one) => {
		const kept = record.read(reading, foundDetails(reading, analysed, of));
		const { sounders } = of;
		const free = { pass: 1, setTo: null, final: null, plan: null };
		record.act({ do: 'accept', sounders, purpose: 'found', reading: kept.id, ...free });
		return kept;
	};
	return { made, record, find };
}

describe('what Sound keeps of a strike', () => {
	it('passes the schema, is found and not set, and comes back as it was', () => {
		const { made, record, find } = recordOf();
		find(analysis);
		const items = made.map(({ item }) => itemSchema.parse(JSON.parse(JSON.stringify(item))));
		expect(items).toMatchObject([
			{
				kind: 'reading',
				reading: {
					source: 'file',
					deviation: expect.closeTo(1200 * Math.log2(219 / 220), 6),
					falseBeat: 0,
					spread: null
				}
			},
			{ kind: 'act', act: { do: 'accept', purpose: 'found' } }
		]);
		expect(record.groups.get(57)).toMatchObject({ found: { pitch: 219 }, left: undefined });
		expect(foundNotes(record.readingsFor('found')).get(57)).toMatchObject({
			strikes: 1,
			pitch: expect.closeTo(219, 9),
			inharmonicity: { b: expect.closeTo(3e-4, 9) },
			falseBeat: 'none',
			open: false,
			again: undefined
		});
	});

	it('asks once more for a string that does not go with its neighbours, until there is no more to learn', () => {
		const { record, find } = recordOf();
		const outOfLine = new Set([57]);
		for (const again of ['out of line', 'out of line', undefined]) {
			find(analysis);
			expect(foundNotes(record.readingsFor('found'), outOfLine).get(57)?.again).toBe(again);
			expect(foundNotes(record.readingsFor('found')).get(57)?.again).toBeUndefined();
		}
	});

	it('keeps the spread of several strings, which tell no B', () => {
		const { record, find } = recordOf();
		const sounders = ['middle', 'left', 'right'].map((member) => sounderId(57, member));
		const kept = find({ ...analysis, spread }, { ...one, sounders });
		expect(kept).toMatchObject({ spread: 1.8, spreadError: 0.05, falseBeat: null });
		expect(foundNotes(record.readingsFor('found')).get(57)).toMatchObject({
			open: true,
			spread,
			inharmonicity: undefined
		});
	});

	it('takes no reading of Set for one of Sound, and none that was discarded', () => {
		const { record, find } = recordOf();
		record.read(reading, foundDetails(reading, undefined, one));
		expect(foundNotes(record.readingsFor('found')).size).toBe(0);
		const { id } = record.act({ do: 'discard', reading: find(undefined).id });
		expect(foundNotes(record.readingsFor('found')).size).toBe(0);
		record.act({ do: 'takeBack', act: id });
		expect(foundNotes(record.readingsFor('found')).size).toBe(1);
	});

	it('is the same after a reload, from what waits on the device, partials and all', async () => {
		const { made, record, find } = recordOf();
		const kept = find(analysis);
		const stored = made.flatMap(({ told }) => (told ? structuredClone(told) : []));
		const none = { stamp: () => ({ id: '', device: '', counter: 0, at: 0 }), add: async () => {} };
		const again = new VisitRecord(uuid(), [], { ...none, placed: (_, at) => at });
		again.takeOwn(stored);
		expect(foundNotes(again.readingsFor('found'))).toEqual(foundNotes(record.readingsFor('found')));
		expect(again.newReadings).toMatchObject([{ id: kept.id, partials: kept.partials }]);
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
			beat: 'too short to show a false beat',
			again: 'The strikes differ. Strike it once more.'
		});
		const open = { ...note, open: true, inharmonicity: undefined, falseBeat: undefined };
		expect(foundWords({ ...open, spread })).toMatchObject({
			stiffness: 'B needs one string alone',
			beat: 'unison spread 1.8 cents'
		});
		expect(foundWords({ ...open, spread: 'none' }).beat).toBe('unison still');
		expect(foundWords({ ...note, inharmonicity: undefined }).stiffness).toBe('too few partials for B');
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
