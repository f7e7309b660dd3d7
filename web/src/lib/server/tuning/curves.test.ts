import { equalHz, hz } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { BALANCED } from '$lib/tuning/curve';
import { stretchByCurve } from '$lib/tuning/stretch';
import { newCurve } from '$lib/visit/begin';
import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
import { sheetData } from '$lib/visit/curve/sheetData';
import type { SignedIn } from '../auth/session';
import { curvesOf } from '../db/stores/curves';

import { stringTablesOf } from '../db/stores/stringTables';
import { getVisit } from '../db/stores/visits';
import { keepStringsOf, knownStrings } from '../strings/known';
import {
	accept,
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
import { keyboardBundle } from '../visits/books';

/** A visit as a device opens it. */
async function opened(workshopId: string, id: string): Promise<KeyboardVisit> {
	return new KeyboardVisit({ ...(await keyboardBundle(workshopId, id)), happened: [] }, false);
}

withDatabase();

describe('curves', () => {
	it('are kept version by version, and the plan takes one or the other', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Curved'));
		const visitId = await beginVisit(me, instrumentId);
		const open = () => opened(me.workshopId, visitId);
		// A piano's first visit starts with a balanced curve of its own.
		const first = (await open()).curve!;
		expect(first).toMatchObject({ wish: BALANCED, lowest: 21, notesRead: 0, visitId });
		expect(first.deviations).toHaveLength(88);
		const { instrument, measured } = await open();
		const second = newCurve({ ...instrument, measured }, { ...BALANCED, lead: 'twelfths', held: { 60: -1 } }, visitId);
		expect(second.deviations[60 - 21]).toBe(-1);
		expect((await replan(me, visitId, { stretch: stretchByCurve(second.id) }, second)).answer).toBe('stored');
		expect((await open()).curve).toMatchObject({ id: second.id, deviations: second.deviations, wish: second.wish });
		expect((await curvesOf(me.workshopId, instrumentId)).map(({ id }) => id)).toEqual([second.id, first.id]);
		expect((await replan(me, visitId, { stretch: stretchByCurve(first.id) })).answer).toBe('stored');
		expect((await open()).curve).toEqual(first);
	});

	it('stay with their instrument and their workshop', async () => {
		const [me, other] = [await newWorkshop(), await newWorkshop()];
		const visitOf = async (who: SignedIn, name: string) =>
			beginVisit(who, await newInstrument(who.workshopId, details(name)));
		const [mine, second, theirs] = [await visitOf(me, 'A'), await visitOf(me, 'B'), await visitOf(other, 'C')];
		const { curve, instrument, measured } = await opened(me.workshopId, second);
		expect(await replan(me, mine, { stretch: stretchByCurve(curve!.id) })).toMatchObject({
			answer: 'refused',
			why: expect.stringContaining('not one of this instrument')
		});
		await expect(keyboardBundle(me.workshopId, theirs)).rejects.toMatchObject({ status: 404 });
		const drawn = newCurve({ ...instrument, measured }, BALANCED, mine);
		const strange = { ...drawn, wish: { ...BALANCED, held: { 120: 1 } } };
		expect(await replan(me, mine, { stretch: stretchByCurve(strange.id) }, strange)).toMatchObject({
			answer: 'refused',
			why: expect.stringContaining('C9')
		});
		expect(await replan(me, mine, { temperamentId: uuid() })).toMatchObject({
			answer: 'refused',
			why: expect.stringContaining('no longer in the library')
		});
		await finishVisit(me, mine, '');
		// The next visit goes on with the curve of the last one.
		const before = (await getVisit(me.workshopId, mine))!;
		const next = await beginVisit(me, before.instrumentId, new Date());
		expect((await getVisit(me.workshopId, next))!.stretch).toEqual(before.stretch);
	});

	it('follow the table of strings where nothing was read, and the readings where something was', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Strung'));
		const visitId = await beginVisit(me, instrumentId);
		const a4 = { note: 69, strings: 3, material: 'steel' as const, core: 1, length: 400, outer: null, strength: null };
		expect(await keepStringsOf(me, instrumentId, [a4])).toHaveProperty('value');
		const byTable = await knownStrings(me.workshopId, { id: instrumentId, usualA4: 440 });
		expect(byTable).toMatchObject([{ note: 69, by: 'table', partials: [] }]);
		await hand(me, visitId, [reading({ inharmonicity: 5e-4, inharmonicityError: 1e-6 })]);
		const [read] = await knownStrings(me.workshopId, { id: instrumentId, usualA4: 440 });
		expect(read).toMatchObject({ note: 69, by: 'strike', b: 5e-4 });
		// 440.012 against a first partial of 440 is 0.05 cents sharp of it.
		expect(read.partials[0].sharpness).toBeCloseTo(0.048, 2);
		for (const [line, why] of [
			[{ ...a4, length: 2000 }, 'another unit'],
			[{ ...a4, note: 120 }, 'not on this keyboard']
		] as const)
			expect(await keepStringsOf(me, instrumentId, [line])).toMatchObject({
				problem: expect.stringContaining(why)
			});
		await expect(keepStringsOf(await newWorkshop(), instrumentId, [a4])).rejects.toMatchObject({
			status: 404
		});
		expect(await stringTablesOf(me.workshopId, instrumentId)).toHaveLength(1);
	});

	it('say how the instrument stands: as found in this visit, or as the last one left it', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Standing'));
		const first = await beginVisit(me, instrumentId);
		const at = (note: number, cents: number) => equalHz(note, hz(440)) * 2 ** (cents / 1200);
		const notes = Array.from({ length: 20 }, (_, i) => 40 + i);
		const left = notes.map((note) => reading({ note, pitch: at(note, 1.5) }));
		await hand(me, first, [
			...notes.map((note) =>
				reading({ note, pitch: at(note, -9), takenAt: new Date(Date.UTC(2026, 8, 1)), counter: 0 })
			),
			...left.flatMap((each) => [each, accept(each)])
		]);
		await finishVisit(me, first, '');
		const second = await beginVisit(me, instrumentId, new Date());
		const asLeft = sheetData(await opened(me.workshopId, second)).standing;
		expect(asLeft.by).toBe('left');
		expect([...asLeft.notes].sort((a, b) => a.note - b.note)).toEqual(notes.map((note) => ({ note, cents: 1.5 })));
		await hand(
			me,
			second,
			notes.slice(0, 12).map((note) => reading({ note, pitch: at(note, -4) }))
		);
		const found = sheetData(await opened(me.workshopId, second)).standing;
		expect([found.by, found.notes.length, ...new Set(found.notes.map(({ cents }) => cents))]).toEqual([
			'found',
			12,
			-4
		]);
	});
});
