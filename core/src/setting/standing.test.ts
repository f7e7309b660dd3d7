import { describe, expect, it } from 'vitest';
import { UPRIGHT } from '../../fixtures/upright';
import { whichNote } from '../listening/stream/whichNote';
import { createRandom, type Random } from '../numeric/random';
import { equalHz, hzAbove } from '../units/pitch';
import { cents, type Cents } from '../units/quantity';
import { standingsAbout, type KnownStanding } from './standing';

const targetOf = (note: number) => (note < 21 || note > 108 ? undefined : equalHz(note, UPRIGHT.a4));
const at = (note: number, off: number) => hzAbove(targetOf(note)!, cents(off));

/** A piano that stands off as a whole, a little unevenly; every seventh note of it has been read. */
function surveyed(level: number, random: Random) {
	const stands = new Map<number, number>();
	const known = new Map<number, KnownStanding>();
	for (let note = 21; note <= 108; note++) stands.set(note, level + 3 * random.normal());
	for (let note = 23; note <= 108; note += 7) {
		const off: Cents = cents(stands.get(note)!);
		known.set(note, { found: off, now: off });
	}
	return { stands, known };
}

describe('which key was struck', () => {
	it('names the neighbour on a piano that stands up to 50 cents off, or asks', () => {
		const random = createRandom(3);
		let [right, asked, all] = [0, 0, 0];
		for (let i = 0; i < 600; i++) {
			const { stands, known } = surveyed(100 * (random.uniform() - 0.5), random);
			const due = 30 + Math.floor(70 * random.uniform());
			const struck = due + [-2, -1, 1, 2][i % 4];
			const about = standingsAbout(due, targetOf, known);
			const told = whichNote(at(struck, stands.get(struck)!), UPRIGHT, { note: due, pitch: targetOf(due)!, about });
			all++;
			if (told.or !== undefined) asked++;
			else if (told.note === struck) right++;
		}
		expect((right + asked) / all).toBeGreaterThan(0.97);
		expect(right / all).toBeGreaterThan(0.9);
	});

	it('takes the due note up to 35 cents from its neighbourhood, and asks from there to 50', () => {
		const random = createRandom(4);
		let [taken, near, asked, far] = [0, 0, 0, 0];
		for (let i = 0; i < 600; i++) {
			const level = 100 * (random.uniform() - 0.5);
			const { known } = surveyed(level, random);
			const due = 30 + Math.floor(70 * random.uniform());
			if (known.has(due)) continue;
			const away = 50 * random.uniform() * (i % 2 ? 1 : -1);
			const about = standingsAbout(due, targetOf, known);
			const told = whichNote(at(due, level + away), UPRIGHT, { note: due, pitch: targetOf(due)!, about });
			if (Math.abs(away) < 33) {
				near++;
				if (told.note === due && told.or === undefined) taken++;
			} else if (Math.abs(away) > 38) {
				far++;
				if (told.or !== undefined && [told.note, told.or].includes(due)) asked++;
			}
		}
		expect(taken / near).toBeGreaterThan(0.97);
		expect(asked / far).toBeGreaterThan(0.9);
	});

	it('follows the string that is raised all the way to its target, and a little beyond', () => {
		const known = new Map([[69, { found: cents(-45), now: cents(-45) }]]);
		for (let off = -50; off <= 20; off += 5) {
			const about = standingsAbout(69, targetOf, known);
			expect(whichNote(at(69, off), UPRIGHT, { note: 69, pitch: targetOf(69)!, about }).note).toBe(69);
			known.set(69, { found: cents(-45), now: cents(off) });
		}
	});

	it('believes the due note while nothing is known, and asks when it lies far off', () => {
		const due = { note: 69, pitch: targetOf(69)! };
		expect(whichNote(at(69, -20), UPRIGHT, due)).toEqual({ note: 69 });
		expect(whichNote(at(69, -60), UPRIGHT, due)).toEqual({ note: 69, or: 68 });
		expect(whichNote(at(69, 70), UPRIGHT, due)).toEqual({ note: 69, or: 70 });
		expect(whichNote(at(67, 5), UPRIGHT, due)).toEqual({ note: 67 });
	});

	it('asks for no key that the keyboard does not have, and knows its last string far off', () => {
		const top = { note: 108, pitch: targetOf(108)! };
		expect(whichNote(hzAbove(top.pitch, cents(60)), UPRIGHT, top)).toEqual({ note: 108 });
		const { known } = surveyed(0, createRandom(2));
		const about = standingsAbout(108, targetOf, known);
		expect(whichNote(hzAbove(top.pitch, cents(95)), UPRIGHT, { ...top, about })).toEqual({ note: 108 });
	});

	it('counts semitones from where the instrument stands when another key altogether was struck', () => {
		const { known } = surveyed(-40, createRandom(1));
		const about = standingsAbout(60, targetOf, known);
		expect(whichNote(at(72, -40), UPRIGHT, { note: 60, pitch: targetOf(60)!, about })).toEqual({ note: 72 });
	});
});
