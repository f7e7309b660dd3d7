import ICAL from 'ical.js';
import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import { groundOf } from '$lib/visit/ground';

import {
	accept,
	actIn,
	beginVisit,
	details,
	finishVisit,
	hand,
	newWorkshop,
	reading,
	withDatabase,
	newInstrument
} from '../tests/parts';
import { codeOf, textOf } from '../tests/paperReaders';
import { keyboardBundle } from '../visits/books';
import { compareVisits } from '../visits/comparison';
import { getInstrument } from '../db/stores/instruments';
import { paperOf } from './papers';
import { printed } from './printer';
import { statementOf, statementYears } from './statement';

withDatabase();

const NOW = new Date('2026-10-01T12:00:00Z');

/** A visit with some notes found flat and set, closed with all that is said at the end. */
async function closedVisit(name = 'Köln hall, No. 3') {
	const me = await newWorkshop();
	const instrumentId = await newInstrument(me.workshopId, details(name));
	const visitId = await beginVisit(me, instrumentId);
	const { plan } = groundOf(await keyboardBundle(me.workshopId, visitId));
	for (const note of [45, 57, 69, 81]) {
		const { pitch } = plan.targetOf(note)!;
		const found = reading({ note, target: pitch, deviation: -8, pitch: pitch * 2 ** (-8 / 1200) });
		const left = reading({ note, target: pitch, deviation: 0.1, pitch });
		await hand(me, visitId, [found, accept(found, { purpose: 'found' }), left, accept(left)]);
	}
	const say = (act: Parameters<typeof actIn>[2]) => actIn(me, visitId, act);
	await say({ do: 'brief', brief: { purpose: 'home', played: 'daily', complaint: 'The F♯ buzzes.', pins: 'star 2' } });
	await say({ do: 'climate', temperature: 20.5, humidity: 34, by: 'typed' });
	await say({ do: 'part', part: 'treble', grade: 'lightRust', note: '' });
	await say({ do: 'finding', finding: uuid(), part: 'pins', text: 'A loose pin in the top octave', state: 'quoted' });
	await say({ do: 'answer', text: 'A loose hinge; tightened.' });
	await say({ do: 'word', text: 'It sings again.', by: 'The choir' });
	await say({ do: 'advice', advice: 'dryAir', text: 'The air is dry.', given: true });
	await say({ do: 'again', on: '2027-03-20', why: 'as agreed' });
	await finishVisit(me, visitId);
	return { me, visitId, instrumentId };
}

describe('papers of a visit', () => {
	it('tell the owner in plain words what was done, and what to do', async () => {
		const { me, visitId } = await closedVisit();
		const text = await textOf((await paperOf(me.workshopId, visitId, 'report', NOW)) as Buffer);
		for (const said of [
			'Köln hall, No. 3',
			'It stood up to 8.0 cents flat.',
			'4 notes were set at A4 = 440.0 Hz.',
			'Before and after',
			'You said: “The F# buzzes.” A loose hinge; tightened.',
			'It sings again.',
			'The air is dry.',
			'A loose pin in the top octave (quoted)',
			'20 March 2027: as agreed.'
		])
			expect(text).toContain(said);
	});

	it('carry curve, temperament, pitch and cautions in a code that any camera reads', async () => {
		const { me, visitId } = await closedVisit();
		const card = (await paperOf(me.workshopId, visitId, 'card', NOW)) as Buffer;
		const code = codeOf(card);
		const lines = new Map((code ?? '').split('\n').map((line) => [line.split(' ')[0], line]));
		expect(lines.get('Fendrel')).toBe('Fendrel card 1');
		expect(lines.get('instrument')).toBe('instrument Köln hall, No. 3');
		expect(lines.get('A4')).toBe('A4 440.00 Hz');
		expect(lines.get('air')).toBe('air 20.5 C 34 %');
		expect(lines.get('temperament')).toBe('temperament equal');
		expect(lines.get('curve')).toMatch(/^curve A0 -?[\d.]+ .*C8 [\d.]+$/);
		expect(lines.get('next')).toBe('next 2027-03-20');
		expect(code).toContain('light rust. Let every string down until it frees');
		expect(await textOf(card)).toContain('A4 = 440.0 Hz');
	});

	it('put the next visit into a calendar, as a whole day with a reminder', async () => {
		const { me, visitId } = await closedVisit();
		const parsed = new ICAL.Component(ICAL.parse((await paperOf(me.workshopId, visitId, 'next', NOW)) as string));
		const event = new ICAL.Event(parsed.getFirstSubcomponent('vevent')!);
		expect([event.summary, event.location]).toEqual(['Tune Köln hall, No. 3', 'The hall, Saltmarsh']);
		expect([event.startDate.isDate, event.startDate.toString()]).toEqual([true, '2027-03-20']);
		const alarm = event.component.getFirstSubcomponent('valarm')!;
		expect(String(alarm.getFirstPropertyValue('trigger'))).toBe('-P7D');
	});

	it('are made for their own workshop alone, also of a visit in which nothing was done', async () => {
		const [me, other] = [await newWorkshop(), await newWorkshop()];
		const visitId = await beginVisit(me, await newInstrument(me.workshopId, details('Untouched')));
		expect(await textOf((await paperOf(me.workshopId, visitId, 'report', NOW)) as Buffer)).toContain('Nothing was set');
		expect(codeOf((await paperOf(me.workshopId, visitId, 'card', NOW)) as Buffer)).toContain('instrument Untouched');
		await expect(paperOf(other.workshopId, visitId, 'card', NOW)).rejects.toMatchObject({ status: 404 });
	});
});

describe('two visits', () => {
	it('are compared note by note and by section, whichever is named first', async () => {
		const { me, visitId, instrumentId } = await closedVisit();
		const later = await beginVisit(me, instrumentId, new Date());
		const pitch = 440 * 2 ** (-3 / 1200);
		const found = reading({ note: 69, target: 440, deviation: -3, pitch, takenAt: new Date() });
		await hand(me, later, [found, accept(found, { purpose: 'found' })]);
		await finishVisit(me, later, 'Only looked.');
		for (const ids of [
			[visitId, later],
			[later, visitId]
		] as const) {
			const { before, after, notes, sections } = await compareVisits(me.workshopId, ids);
			expect([before.id, after.id, after.note]).toEqual([visitId, later, 'Only looked.']);
			const a4 = notes.find(({ note }) => note === 69)!;
			expect(a4.leftThen).toBeCloseTo(0.1, 1);
			expect(a4.found).toBeCloseTo(-3, 1);
			expect(sections.find(({ id }) => id === 'middle')).toMatchObject({ left: undefined });
		}
	});

	it('tell a place what was done there in a year', async () => {
		const { me, instrumentId, visitId } = await closedVisit('Statement upright');
		await finishVisit(me, visitId);
		const { locationId } = (await getInstrument(me.workshopId, instrumentId))!;
		const [year] = await statementYears(me.workshopId, locationId!);
		const statement = await statementOf(me.workshopId, locationId!, year, Date.now());
		expect(statement.headline).toMatch(/^1 visit to 1 of 1 instrument, \d+\.\d hours in all\.$/);
		expect(statement.instruments[0].visits[0][2]).toMatch(/^4 notes set, 8\.\d cents moved on average/);
		const text = await textOf(Buffer.from(await printed('statement', statement)));
		expect(text).toContain('Statement upright');
		expect(text).toContain('4 notes set');
		expect((await statementOf(me.workshopId, locationId!, year - 1, Date.now())).headline).toBe(
			`No visit to any of 1 instrument in ${year - 1}.`
		);
		const other = await newWorkshop();
		await expect(statementOf(other.workshopId, locationId!, year, Date.now())).rejects.toMatchObject({ status: 404 });
	});
});
