import { describe, expect, it } from 'vitest';
import { barring, gatesOf } from '../condition/gates';
import { partsOf } from '../condition/parts';
import { loggedClimate } from '../condition/climateLogger';
import { arrivalOf, BLANK_BRIEF, type ArrivalAct, type At } from './brief';
import { reportOf } from './report';
import { asSounderId } from './sounder';

const at = (acts: readonly ArrivalAct[]): readonly At<ArrivalAct>[] => acts.map((act, i) => ({ ...act, at: i + 1 }));
const judged = (part: string, grade: string) => ({ do: 'part', part, grade, note: '' }) as const;

describe('arriving', () => {
	it('is what was said last of each matter, point by point', () => {
		const arrival = arrivalOf(
			at([
				{ do: 'brief', brief: { purpose: 'stage', wishes: '442' } },
				{ do: 'brief', brief: { due: '2026-07-19' } },
				{ do: 'climate', temperature: 18, humidity: 60, by: 'typed' },
				{ do: 'climate', temperature: 18.5, humidity: 71, by: 'logger' },
				judged('pins', 'someLoose'),
				judged('pins', 'sound'),
				{ do: 'finding', finding: 'f', part: 'action', text: 'D5 clicks', state: 'open' },
				{ do: 'finding', finding: 'f', part: 'action', text: 'D5 clicks', state: 'quoted' },
				{ do: 'broke', sounder: asSounderId('90/left') },
				{ do: 'caution', caution: 'a', text: 'Face away.' },
				{ do: 'caution', caution: 'a', text: 'Face away.' },
				{ do: 'consent', to: 'raise', explained: 'x', by: 'Wren', from: 'the cook', given: false },
				{ do: 'consent', to: 'raise', explained: 'x', by: 'Wren', from: 'the cook', given: true }
			])
		);
		expect(arrival.brief).toEqual({ ...BLANK_BRIEF, purpose: 'stage', wishes: '442', due: '2026-07-19' });
		expect(arrival.climate).toMatchObject({ humidity: 71, by: 'logger', at: 4 });
		expect(arrival.parts.get('pins')?.grade).toBe('sound');
		expect(arrival.findings.get('f')?.state).toBe('quoted');
		expect(arrival.broken.map(({ sounder }) => sounder)).toEqual(['90/left']);
		expect(arrival.cautions).toEqual(['a']);
		expect(arrival.consents.get('raise')?.given).toBe(true);
	});

	it('is in the report of a visit, and what was taken back is not', () => {
		const stamp = (counter: number) => ({ id: `${counter}`, device: 'd', counter, at: counter });
		const events = [
			{ ...stamp(1), ...judged('bridges', 'cracked') },
			{ ...stamp(2), ...judged('bridges', 'split') },
			{ ...stamp(3), do: 'takeBack', act: '2' } as const
		];
		expect(reportOf(events).arrival.parts.get('bridges')?.grade).toBe('cracked');
		expect(reportOf([...events].reverse()).arrival.parts.get('bridges')?.grade).toBe('cracked');
	});
});

describe('gates', () => {
	const parts = partsOf('upright');
	const gates = (...acts: ArrivalAct[]) => gatesOf(parts, arrivalOf(at(acts)));
	const clear = (part: string, grade: string) =>
		({ do: 'clear', part, grade, by: 'A rebuilder', reason: 'glued and sound' }) as const;

	it('a hold bars until somebody answers for it, and again when it gets worse', () => {
		const held = judged('bridges', 'cracked');
		expect(barring(gates(held))?.part.id).toBe('bridges');
		expect(barring(gates(held, clear('bridges', 'cracked')))).toBeUndefined();
		expect(barring(gates(held, clear('bridges', 'cracked'), judged('bridges', 'split')))?.grade.gate).toBe('stop');
	});

	it('a stop cannot be cleared; a procedure bars nothing; what was not looked at is no gate', () => {
		const stopped = judged('plate', 'cracked');
		expect(barring(gates(stopped, clear('plate', 'cracked')))?.part.id).toBe('plate');
		const rust = gates(judged('treble', 'lightRust'));
		expect(rust).toHaveLength(1);
		expect(barring(rust)).toBeUndefined();
		expect(gates()).toEqual([]);
	});

	it('names the gravest first', () =>
		expect(
			gates(judged('treble', 'lightRust'), judged('pins', 'loose'), judged('plate', 'cracked')).map(
				({ grade }) => grade.gate
			)
		).toEqual(['stop', 'hold', 'procedure']));

	it('every kind has parts of its own, each with a sound grade and keys enough', () => {
		for (const kind of ['grand', 'upright', 'harpsichord', 'fortepiano'] as const)
			for (const { grades, look } of partsOf(kind)) {
				expect(grades.some(({ looks }) => looks === 'sound')).toBe(true);
				expect(grades.length).toBeLessThanOrEqual(6);
				expect(look).toMatch(/\.$/);
			}
		expect(partsOf('harpsichord').map(({ id }) => id)).toContain('plectra');
	});
});

describe('the climate logger that ships with it', () => {
	it('says the same of a time whenever it is asked, follows the season, and stays within a room', () => {
		const room = { seed: 7, heated: true };
		const on = (month: number) => loggedClimate(room, Date.UTC(2025, month, 15, 12));
		expect(on(6)).toEqual(on(6));
		const mean = (months: number[]) => months.reduce((sum, month) => sum + on(month).humidity, 0) / months.length;
		expect(mean([5, 6, 7]) - mean([11, 0, 1])).toBeGreaterThan(8);
		for (let day = 0; day < 730; day++) {
			const { temperature, humidity } = loggedClimate({ seed: 3, heated: false }, Date.UTC(2024, 0, day));
			expect(temperature).toBeGreaterThan(-5);
			expect(temperature).toBeLessThan(35);
			expect(humidity).toBeGreaterThanOrEqual(15);
			expect(humidity).toBeLessThanOrEqual(95);
		}
	});
});
