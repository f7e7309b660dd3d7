import { temperamentById } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { instrumentSchema } from '$lib/instruments/instrumentForm';
import { planFor } from '$lib/tuning/plan';
import { stretchWords } from '$lib/tuning/stretchWords';
import { formerProgressSchema } from '$lib/record/formerRecord';
import { itemSchema } from '$lib/record/record';
import { parseA4 } from './a4';
import { setKeyAction } from './set/setKeys';
import { roomState } from '$lib/listening/room';

const key = (
	name: string,
	held: Partial<Record<'shiftKey' | 'ctrlKey' | 'metaKey' | 'altKey', boolean>> = {},
	inside?: string
) => ({
	key: name,
	shiftKey: false,
	ctrlKey: false,
	metaKey: false,
	altKey: false,
	...held,
	target: { closest: (selector: string) => (inside && selector.includes(inside) ? {} : null) } as unknown as EventTarget
});

describe('keys in Set', () => {
	it('take the pedal, the lever and the strings', () => {
		expect(setKeyAction(key('PageDown'))).toEqual({ do: 'next' });
		expect(setKeyAction(key('PageUp'))).toEqual({ do: 'previous' });
		expect(setKeyAction(key('Enter', { shiftKey: true }))).toEqual({ do: 'keep' });
		expect(setKeyAction(key('ArrowUp'))).toEqual({ do: 'turn', by: 1 });
		expect(setKeyAction(key('ArrowDown', { shiftKey: true }))).toEqual({ do: 'turn', by: -0.2 });
		expect(setKeyAction(key('0'))).toEqual({ do: 'strings', key: '0' });
	});

	it('leave alone what belongs to a field, a button or the browser', () => {
		expect(setKeyAction(key(' ', {}, 'button'))).toBeUndefined();
		expect(setKeyAction(key('Enter', {}, 'a'))).toBeUndefined();
		expect(setKeyAction(key('l', {}, 'input'))).toBeUndefined();
		expect(setKeyAction(key('l', { ctrlKey: true }))).toBeUndefined();
		expect(setKeyAction(key('PageDown', { altKey: true }))).toBeUndefined();
		expect(setKeyAction(key('q'))).toBeUndefined();
	});
});

describe('the room in words', () => {
	const quiet = { noise: -70, clipped: false, hum: undefined, strikeLevel: -20 };
	const room = (change: Partial<Record<'noise' | 'strikeLevel' | 'hum', number>> & { clipped?: boolean } = {}) =>
		roomState({ state: 'on', source: 'microphone', behind: false, levels: { ...quiet, ...change } });
	it('says what to change, and nothing when nothing is to be changed', () => {
		expect(room().advice).toBeUndefined();
		expect(room({ noise: -30 }).advice).toMatch(/Move the microphone closer/);
		expect(room({ clipped: true }).advice).toMatch(/Move the microphone away/);
		expect(room({ strikeLevel: -60 }).advice).toMatch(/strikes are faint/);
		expect(room({ noise: -50, strikeLevel: -40 }).advice).toMatch(/strikes are faint/);
		expect(room({ strikeLevel: undefined }).advice).toBeUndefined();
		expect(room({ hum: 50 }).advice).toMatch(/hum at 50 Hz\. Unplug a lamp/);
		expect(roomState({ state: 'on', source: 'simulated', behind: true, levels: quiet })).toMatchObject({
			detail: 'behind the sound',
			advice: expect.stringContaining('does not keep up')
		});
		expect(roomState({ state: 'off', source: 'microphone', behind: false, levels: quiet }).title).toBe('Not listening');
	});
});

describe('what comes in is checked', () => {
	it('A4 with comma or point, within range', () => {
		expect(parseA4('441,5')).toEqual({ value: 441.5 });
		expect(parseA4(' 380 ')).toEqual({ value: 380 });
		for (const text of ['', '379.9', '480.1', '4e9', 'A', 'NaN', 'Infinity'])
			expect(parseA4(text)).toHaveProperty('problem');
	});

	it('what is planned and noted', () => {
		const id = '01a20724-b3f2-7056-bbd9-dd8fdf185feb';
		const plan = { id, a4: 440, temperamentId: id, tolerance: 1, curveId: null, lead: null };
		const act = { id, counter: 1, doneAt: new Date(), over: [] };
		const accepts = (said: object) =>
			itemSchema.safeParse({ format: 2, kind: 'act', visitId: id, device: id, act: { ...act, ...said } }).success;
		const planned = (change: object, wrote: string[] = ['a4']) =>
			accepts({ do: 'plan', plan: { ...plan, ...change }, wrote });
		expect([planned({}), accepts({ do: 'note', text: 'n' }), accepts({ do: 'stage', stage: 'set' })]).not.toContain(
			false
		);
		for (const bad of [
			...[{ a4: 1000 }, { a4: 'x' }, { tolerance: 0.7 }, { lead: 'wild' }, { temperamentId: 'equal' }],
			{ curveId: id, lead: 'balanced' }
		])
			expect(planned(bad), JSON.stringify(bad)).toBe(false);
		expect([planned({}, []), planned({}, ['x']), accepts({ do: 'note', text: 'n'.repeat(4001) })]).not.toContain(true);
		expect(accepts({ do: 'stage', stage: 'done' })).toBe(false);
	});

	it('what pages from before sent: not a number, a foreign string, too many at once', () => {
		const good = {
			id: '01a20724-b3f2-7056-bbd9-dd8fdf185feb',
			note: 60,
			string: 'middle',
			takenAt: '2026-11-23T10:00:00Z',
			source: 'microphone',
			accepted: false,
			pitch: 261,
			pitchError: 0.1,
			target: 261.6,
			deviation: -4,
			fundamental: 260.9,
			inharmonicity: 1e-4,
			inharmonicityError: 1e-6,
			moment: 0.6,
			partials: []
		};
		expect(formerProgressSchema.safeParse({ readings: [good] }).success).toBe(true);
		for (const bad of [
			{ pitch: -1 },
			{ pitch: 1e-320 },
			{ target: 1e-320 },
			{ pitchError: 1e5 },
			{ partials: [{ partial: 1, frequency: 1e-300, error: 0, level: 0 }] },
			{ partials: [{ partial: 1, frequency: 440, error: 0, level: 1e300 }] },
			{ note: 60.5 },
			{ string: 'fourth' },
			{ id: 'x' },
			{ takenAt: 'today' },
			{ inharmonicity: 2 }
		])
			expect(formerProgressSchema.safeParse({ readings: [{ ...good, ...bad }] }).success, JSON.stringify(bad)).toBe(
				false
			);
		expect(formerProgressSchema.safeParse({ readings: Array(101).fill(good) }).success).toBe(false);
		expect(
			formerProgressSchema.safeParse({
				readings: [],
				place: { currentNote: 60, moved: { x: [{ pin: 0, speaking: 0 }] } }
			}).success
		).toBe(false);
	});

	it('items: each value within what strings can do, each name a sounder’s', () => {
		const id = '01a20724-b3f2-7056-bbd9-dd8fdf185feb';
		const figures = { pitchError: 0.1, fundamental: 260.9, inharmonicity: 1e-4, inharmonicityError: 1e-6, moment: 0.6 };
		const good = {
			...{ way: 'struck', id, counter: 1, takenAt: '2026-11-23T10:00:00Z', sounders: ['60/middle'] },
			...{ source: 'microphone', pitch: 261, target: 261.6, deviation: -4, ...figures, partials: [] }
		};
		const reading = (change: object) =>
			itemSchema.safeParse({ format: 2, kind: 'reading', visitId: id, device: id, reading: { ...good, ...change } });
		expect(reading({}).success).toBe(true);
		for (const bad of [
			{ pitch: 1e-320 },
			{ pitch: null },
			{ sounders: [] },
			{ sounders: ['60'] },
			{ sounders: ['middle/60'] },
			{ source: 'ear' },
			{ counter: -1 },
			{ deviation: Number.NaN },
			{ inharmonicity: 2 }
		])
			expect(reading(bad).success, JSON.stringify(bad)).toBe(false);
		const act = (of: object) =>
			itemSchema.safeParse({
				...{ format: 2, kind: 'act', visitId: id, device: id },
				act: { id, counter: 2, doneAt: '2026-11-23T10:00:00Z', ...of }
			}).success;
		expect(act({ do: 'place', group: 60 })).toBe(true);
		expect(act({ do: 'place', group: 60.5 })).toBe(false);
		expect(act({ do: 'discard', reading: 'x' })).toBe(false);
		expect(act({ do: 'finish' })).toBe(true);
		expect(act({ do: 'begin again' })).toBe(false);
	});

	it('an instrument: compass the wrong way round, a year in words', () => {
		const good = {
			name: 'One',
			kind: 'upright',
			location: '',
			town: '',
			maker: '',
			madeIn: '',
			lowest: 'A0',
			highest: 'C8',
			usualA4: 440,
			notes: ''
		};
		expect(instrumentSchema.safeParse(good).success).toBe(true);
		for (const bad of [
			{ name: '  ' },
			{ lowest: 'C8', highest: 'A0' },
			{ lowest: 'C-1' },
			{ madeIn: 'old' },
			{ usualA4: 300 },
			{ kind: 'kazoo' }
		])
			expect(instrumentSchema.safeParse({ ...good, ...bad }).success, JSON.stringify(bad)).toBe(false);
	});
});

describe('the plan', () => {
	it('lays a curve under the temperament, anchored at the fork', () => {
		const basis = { kind: 'upright' as const, lowest: 21, highest: 108, a4: 440, measured: [] };
		const plain = planFor({ ...basis, temperament: temperamentById('vallotti') });
		const wide = planFor({
			...basis,
			temperament: temperamentById('vallotti'),
			stretch: { by: 'priority', lead: 'balanced' }
		});
		expect(wide.targetOf(69)!.pitch).toBe(440);
		for (const note of [21, 40, 60, 93, 108]) {
			const added = wide.targetOf(note)!.fromEqual - plain.targetOf(note)!.fromEqual;
			expect(added).toBeCloseTo(wide.stretchAt(note), 9);
		}
		expect(wide.stretchAt(21)).toBeLessThan(-10);
		expect(wide.stretchAt(108)).toBeGreaterThan(15);
		// Octaves of a temperament differ from the curve's by nothing: offsets repeat in every octave.
		expect(wide.targetOf(72)!.fromEqual - wide.targetOf(60)!.fromEqual).toBeCloseTo(
			wide.stretchAt(72) - wide.stretchAt(60),
			9
		);
		const fork = planFor({
			...basis,
			temperament: temperamentById('vallotti'),
			stretch: { by: 'priority', lead: 'fifths' },
			fork: 72
		});
		expect(fork.targetOf(72)!.pitch).toBeCloseTo(523.251, 3);
		expect(stretchWords(wide, basis)).toMatch(/^A0 −\d+\.\d, C8 \+\d+\.\d cents\. The \d+:\d octave gives way most/);
	});

	it('follows A4, temperament and what was read', () => {
		const plan = planFor({
			kind: 'upright',
			lowest: 21,
			highest: 108,
			a4: 415,
			temperament: temperamentById('vallotti'),
			measured: [{ note: 60, b: 3e-4, error: 1e-7, partials: [], by: 'strike' }]
		});
		expect(plan.targetOf(69)?.pitch).toBe(415);
		expect(plan.targetOf(60)?.fromEqual).toBeCloseTo(5.87, 2);
		expect(plan.inharmonicityAt(60)).toBeCloseTo(3e-4, 9);
		expect(plan.notesRead).toBe(1);
		expect(plan.targetOf(20)).toBeUndefined();
	});
});
