import {
	curveErrors,
	equalHz,
	groupRecords,
	hz,
	reportOf,
	sounderId,
	temperamentById,
	type Hz,
	type VisitEvent
} from '@fendrel/core';
import { describe, expect, it, vi } from 'vitest';
import { BALANCED, drawCurve, solverFor, wishOf, type CurveChoice, type KeptCurve } from '$lib/tuning/curve';
import { NO_STRETCH } from '$lib/tuning/stretch';
import { inProcess } from '$lib/tests/inProcess';
import { stringsOfInstrument, type KnownString } from '$lib/tuning/strings';
import { curveJobs } from '$lib/workers/curve.jobs';
import { Sheet, type SheetData } from './sheet.svelte';

const worker = inProcess(curveJobs());
const INSTRUMENT = { kind: 'upright' as const, lowest: 21, highest: 108 };
const kept = (id: string, wish: CurveChoice, day: number, deviations?: number[]): KeptCurve => ({
	id,
	visitId: null,
	madeAt: new Date(2026, 5, day),
	wish,
	lowest: 21,
	deviations: deviations ?? drawCurve({ ...INSTRUMENT, measured: [] }, wish),
	notesRead: 0
});
const data = (change: Partial<SheetData> = {}): SheetData => ({
	visit: { a4: 440, stretch: NO_STRETCH },
	instrument: INSTRUMENT,
	temperament: temperamentById('equal'),
	measured: [],
	groups: new Map(),
	curve: undefined,
	curves: [],
	lastCurveId: undefined,
	standing: { by: 'found', at: new Date(2026, 5, 1), notes: [] },
	...change
});
/** A note that was read and set on target. */
function setAt(note: number, pitch: Hz): VisitEvent[] {
	const sounders = [sounderId(note, 'middle')];
	const when = (counter: number) => ({ device: 'd', counter, at: counter });
	const unknown = { fundamental: null, inharmonicity: null, inharmonicityError: null, moment: null, listened: null };
	const unheard = { falseBeat: null, falseBeatDepth: null, spread: null, spreadError: null };
	return [
		{
			...{ id: 'r', way: 'struck', ...when(1), sounders, source: 'microphone', target: pitch, deviation: 0, pitch },
			...{ pitchError: null, ...unknown, ...unheard }
		},
		{
			...{ id: 'a', do: 'accept', ...when(2), sounders, purpose: 'set', pass: 1, reading: 'r', setTo: pitch },
			...{ final: pitch, plan: null }
		}
	];
}
const sheetOf = (change: Partial<SheetData> = {}, draft?: CurveChoice) => {
	const all = data(change);
	return new Sheet(() => all, draft, worker);
};

describe('the curve sheet', () => {
	it('begins with the plan’s curve, with what leads an old plan, or with a draft', () => {
		const planned = kept('a', { ...BALANCED, lead: 'fifths' }, 3);
		expect(sheetOf({ curve: planned }).wish).toEqual(planned.wish);
		expect(sheetOf({ visit: { a4: 440, stretch: { by: 'priority', lead: 'twelfths' } } }).wish.lead).toBe('twelfths');
		expect(sheetOf().wish).toEqual(BALANCED);
		const draft = { ...BALANCED, top: 5 };
		expect(sheetOf({ curve: planned }, draft).wish).toEqual(draft);
	});

	it('knows when it shows the plan’s curve, and how far new readings would move it', () => {
		const planned = kept('a', BALANCED, 3);
		const sheet = sheetOf({ curve: planned });
		expect([sheet.isTaken, sheet.shift! < 0.001]).toEqual([true, true]);
		sheet.wish = { ...BALANCED, lead: 'octaves' };
		expect([sheet.isTaken, sheet.shift]).toEqual([false, undefined]);
		// A piano twice as stiff as its curve was drawn for.
		const stiff: KnownString[] = [30, 45, 60, 75, 90].map((note) => ({
			note,
			b: 2 * 6e-4,
			error: 1e-5,
			partials: [],
			by: 'strike'
		}));
		const read = sheetOf({ curve: planned, measured: stiff });
		expect(read.isTaken).toBe(false);
		expect(read.shift).toBeGreaterThan(1);
	});

	it('keeps the selected note where it is put, and lets it go again', () => {
		const sheet = sheetOf();
		sheet.selected = 72;
		const before = sheet.at;
		sheet.hold(before + 0.5);
		expect(sheet.held).toEqual([72]);
		expect(sheet.at).toBeCloseTo(before + 0.5, 2);
		sheet.selected = 40;
		sheet.hold(-3);
		expect(sheet.held).toEqual([40, 72]);
		sheet.hold(undefined);
		expect(sheet.held).toEqual([72]);
		sheet.releaseAll();
		sheet.selected = 72;
		expect(sheet.at).toBeCloseTo(before, 6);
	});

	it('offers the plan’s curve, last visit’s, earlier ones and every priority to compare with', () => {
		const [now, last, old] = [kept('a', BALANCED, 20), kept('b', BALANCED, 10), kept('c', BALANCED, 1)];
		const sheet = sheetOf({ curve: now, curves: [now, last, old], lastCurveId: 'b' });
		expect(sheet.besides.slice(0, 5).map(({ name }) => name)).toEqual([
			'nothing',
			'the plan’s curve',
			'last visit’s 10 Jun 2026',
			'curve of 1 Jun 2026',
			'no stretch'
		]);
		expect(sheet.besides).toHaveLength(5 + 6);
		expect(sheet.beside.id).toBe('taken');
		sheet.besideId = 'gone';
		expect(sheet.beside.id).toBe('none');
		// A curve from before the keyboard was corrected is shown for the keys that there are.
		const short = sheetOf({ curves: [kept('d', BALANCED, 2, [-3, 0, 4])] });
		expect(short.besides.find(({ id }) => id === 'd')!.deviations).toHaveLength(88);
	});

	it('takes up how the instrument was tuned, and says when too little was read', async () => {
		const wish: CurveChoice = { ...BALANCED, lead: 'double-octaves' };
		const deviations = drawCurve({ ...INSTRUMENT, measured: [] }, wish);
		const notes = deviations.map((cents, i) => ({ note: 21 + i, cents: cents - 7 + 0.3 * Math.sin(9 * i) }));
		const sheet = sheetOf({ standing: { by: 'left', at: new Date(2026, 5, 1), notes } });
		await sheet.takeAsItWas();
		expect(sheet.wish.lead).toBe('double-octaves');
		expect(sheet.closest).toMatch(/^88 notes as it was left 1 Jun 2026: this fits well/);
		expect(sheet.standingShift).toBeCloseTo(7, 0);
		const few = sheetOf({ standing: { by: 'found', at: new Date(), notes: notes.slice(0, 5) } });
		await few.takeAsItWas();
		expect(few.wish).toEqual(BALANCED);
		expect(few.closest).toMatch(/^Too little is known/);
	});

	it('draws the band of what it shows now, and says when that cannot be done', async () => {
		const sheet = sheetOf();
		sheet.drawBand()();
		const end = sheet.drawBand();
		await vi.waitFor(() => expect(sheet.errors).toHaveLength(88));
		end();
		// The band is the core's, worked out where the page does not wait for it.
		const basis = { ...INSTRUMENT, measured: [] };
		expect(sheet.errors).toEqual(curveErrors(solverFor(basis), wishOf(BALANCED), stringsOfInstrument(basis)));
		const all = data();
		const broken = new Sheet(() => all, undefined, { run: () => Promise.reject(new Error('out of memory')) });
		broken.drawBand();
		await vi.waitFor(() => expect(broken.failed).toContain('out of memory'));
	});

	it('shows readings against the curve as it is drawn', () => {
		const sheet = sheetOf({
			groups: groupRecords(reportOf(setAt(96, equalHz(96, hz(440)))).sounders.values())
		});
		const flat = sheet.summary.notes.get(96)!.left!;
		expect(flat).toBeCloseTo(-drawCurve({ ...INSTRUMENT, measured: [] }, BALANCED)[75], 2);
		sheet.wish = { ...BALANCED, top: 20 };
		expect(sheet.summary.notes.get(96)!.left!).toBeLessThan(flat);
	});
});
