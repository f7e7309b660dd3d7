import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accept, happened, of, reading } from '../../fixtures/visitEvents';
import { cardText, CARD_TOLERANCE, knotsOf, type CardFacts } from './card';
import { otherWorkDue, type ClosingAct, type OtherWork } from './closing';
import type { Act, Stage } from './happened';
import { reportOf } from './report';
import { workDone } from './workDone';

const said = (act: ClosingAct): Act => ({ ...happened(), ...act });
const MINUTE = 60_000;

describe('what is said at the end', () => {
	it('counts as it was said last, and what was taken off is gone', () => {
		const forget = said({ do: 'forget', what: 'pace' });
		const acts = [
			said({ do: 'advice', advice: 'humidity', text: 'Keep it even.', given: true }),
			said({ do: 'advice', advice: 'heater', text: 'Away from the heater.', given: true }),
			said({ do: 'advice', advice: 'humidity', text: '', given: false }),
			said({ do: 'word', text: 'It sings again.', by: 'The player' }),
			said({ do: 'again', on: '2027-01-14', why: 'By use' }),
			said({ do: 'again', on: '2026-12-01', why: 'After the raise' }),
			said({ do: 'answer', text: 'The buzz was a loose hinge.' }),
			forget
		];
		const { closing } = reportOf(acts);
		expect([...closing.advice]).toEqual([['heater', 'Away from the heater.']]);
		expect(closing).toMatchObject({ again: { on: '2026-12-01' }, answer: 'The buzz was a loose hinge.' });
		expect(closing.word).toMatchObject({ text: 'It sings again.' });
		expect(closing.forgotten.get('pace')).toBe(forget.id);
		const again = reportOf([...acts, { ...happened(), do: 'takeBack', act: forget.id }]).closing;
		expect(again.forgotten.size).toBe(0);
	});

	it('says of other work what the last visit said that spoke of it', () => {
		const closed = (...acts: ClosingAct[]) => reportOf(acts.map(said)).closing;
		const due = (work: OtherWork, on: string | null) => ({ do: 'alsoDue', work, on, why: '' }) as const;
		const first = closed(due('voicing', '2027-03-01'), due('regulation', '2028-01-01'));
		const second = closed(due('voicing', '2027-09-01'), due('voicing', '2027-10-01'));
		expect(otherWorkDue([closed(), second, first])).toEqual([
			{ work: 'voicing', on: '2027-10-01', why: '' },
			{ work: 'regulation', on: '2028-01-01', why: '' }
		]);
		expect(otherWorkDue([closed(due('regulation', null)), second, first]).map(({ work }) => work)).toEqual(['voicing']);
	});

	it('keeps every visit that was booked', () => {
		const book = (booking: string) =>
			({ do: 'book', booking, startsAt: '2027-01-14T09:00:00.000Z', minutes: 90, promised: '' }) as const;
		expect(reportOf([said(book('a')), said(book('b'))]).closing.booked.map(({ booking }) => booking)).toEqual([
			'a',
			'b'
		]);
	});
});

describe('what was done', () => {
	it('takes minutes by stage, and leaves out what nobody worked', () => {
		const stage = (name: Stage, at: number): Act => ({ ...happened(), at: at * MINUTE, do: 'stage', stage: name });
		const at = (minute: number) => ({ ...reading(of(60), -5), at: minute * MINUTE });
		const { minutes } = workDone(
			reportOf([stage('sound', 0), at(4), at(9), stage('set', 12), at(15), at(90), at(95), stage('close', 97)])
		);
		expect([...minutes]).toEqual([
			['sound', 12],
			['set', 10],
			['close', 0]
		]);
	});

	it('counts strings once, passes apart, and what was taken back not at all', () => {
		const good = reading(of(60), 0);
		const wrong = accept(of(64), null);
		const report = reportOf([
			accept([...of(60), ...of(60, 'left')], null, { purpose: 'raised', pass: 1 }),
			good,
			accept(of(60), good),
			wrong,
			{ ...happened(), do: 'takeBack', act: wrong.id },
			accept(of(62), null)
		]);
		expect(workDone(report)).toMatchObject({
			passes: [
				{ purpose: 'raised', pass: 1, groups: 1, sounders: 2 },
				{ purpose: 'set', pass: 1, groups: 2, sounders: 2 }
			],
			sounders: 3,
			byEar: [62],
			readings: 1
		});
	});
});

const FACTS: CardFacts = {
	instrument: 'Sail-loft\nupright',
	tuned: '2026-07-14',
	next: '2027-01-14',
	a4: 440,
	temperature: 21,
	humidity: undefined,
	temperament: 'Equal',
	offsets: Array.from({ length: 12 }, () => -0.001),
	lowest: 21,
	stretch: [-12.34, -7, -3.5, 0],
	cautions: []
};

describe('the card', () => {
	it('is lines of a word and what it says', () => {
		expect(cardText(FACTS)).toBe(
			[
				'Fendrel card 1',
				'instrument Sail-loft upright',
				'tuned 2026-07-14',
				'A4 440.00 Hz',
				'air 21 C',
				'temperament Equal',
				'curve A0 -12.3 Bb0 -7 C1 0',
				'next 2027-01-14'
			].join('\n')
		);
	});

	it('tells every note of the curve by straight lines, within what it says', () => {
		const curves = fc.array(fc.double({ min: -40, max: 40, noNaN: true }), { minLength: 1, maxLength: 88 });
		fc.assert(
			fc.property(curves, (curve) => {
				const knots = knotsOf(curve, CARD_TOLERANCE);
				expect(knots.at(0)).toBe(0);
				expect(knots.at(-1)).toBe(curve.length - 1);
				for (let i = 1; i < knots.length; i++)
					for (let k = knots[i - 1]; k <= knots[i]; k++) {
						const share = (k - knots[i - 1]) / (knots[i] - knots[i - 1]);
						const on = curve[knots[i - 1]] + share * (curve[knots[i]] - curve[knots[i - 1]]);
						expect(Math.abs(curve[k] - on)).toBeLessThanOrEqual(CARD_TOLERANCE + 1e-9);
					}
			})
		);
	});
});
