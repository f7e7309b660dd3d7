import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { steadiness, strayPins, type KeptSpan } from './strayPins';

/** A piano between visits: the air bends it, strings scatter, some pins give. */
function spans(
	seed: number,
	many: number,
	loose: Readonly<Record<number, number>>,
	scatter = 0.8
): readonly KeptSpan[] {
	const random = createRandom(seed);
	return Array.from({ length: many }, () => {
		const air = 6 * random.normal();
		return Array.from({ length: 88 }, (_, i) => {
			const note = 21 + i;
			const bend = air * Math.exp(-(((note - 55) / 18) ** 2));
			const slip = (loose[note] ?? 0) * (0.7 + 0.6 * random.uniform());
			return { sounder: `${note}/middle`, note, moved: -2 + bend + scatter * random.normal() + slip };
		});
	});
}

describe('stray pins', () => {
	it('are the ones that give again and again, and no others, whatever the air did', () => {
		const loose = { 30: -9, 58: -7, 90: -8 };
		let missed = 0;
		let wrong = 0;
		for (let seed = 0; seed < 200; seed++) {
			const found = strayPins(spans(seed, 4, loose)).map(({ note }) => note);
			missed += Object.keys(loose).filter((note) => !found.includes(Number(note))).length;
			wrong += found.filter((note) => !(note in loose)).length;
		}
		// Of 600 loose pins nine in ten at least; of 17,000 sound ones none in a thousand.
		expect(missed).toBeLessThan(60);
		expect(wrong).toBeLessThan(17);
	});

	it('are not those that moved once, or to and fro, or with their neighbours', () => {
		const once = spans(1, 4, {}).map((span, i) =>
			span.map((string) => (i === 2 && string.note === 60 ? { ...string, moved: string.moved - 15 } : string))
		);
		expect(strayPins(once)).toEqual([]);
		const toAndFro = spans(1, 4, {}).map((span, i) =>
			span.map((string) => (string.note === 60 ? { ...string, moved: string.moved + (i % 2 ? 15 : -15) } : string))
		);
		expect(strayPins(toAndFro)).toEqual([]);
		expect(strayPins(spans(1, 4, Object.fromEntries(Array.from({ length: 20 }, (_, i) => [40 + i, -9]))))).toEqual([]);
	});

	it('say by how much, and how often', () => {
		const [pin] = strayPins(spans(7, 5, { 58: -8 }));
		expect(pin).toMatchObject({ note: 58, strayed: 5, of: 5 });
		expect(pin.slips).toBeGreaterThan(-11);
		expect(pin.slips).toBeLessThan(-5);
		// A few readings tell nothing of their neighbours.
		expect(strayPins(spans(7, 5, { 58: -8 }).map((span) => span.slice(35, 39)))).toEqual([]);
	});

	it('beside them: how steady strings stay, register by register', () => {
		const registerOf = (note: number) => (note < 60 ? 'low' : 'high');
		const [low, high] = steadiness(spans(3, 30, {}, 1), registerOf);
		expect([low.register, high.register]).toEqual(['low', 'high']);
		// Half of a normal spread of 1 stays within 0.674; the neighbours' median adds a little.
		expect(high.half).toBeGreaterThan(0.65);
		expect(high.half).toBeLessThan(0.8);
		expect(high.within).toBeGreaterThan(0.6);
		expect(high.within).toBeLessThan(0.72);
	});
});
