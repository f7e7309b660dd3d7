import { describe, expect, it } from 'vitest';
import { jumpedNotes } from './jumpedNotes';

describe('notes that jumped', () => {
	it('are those that moved otherwise than their neighbours', () => {
		const pitches = (off: (note: number) => number) =>
			new Map(Array.from({ length: 88 }, (_, i) => [21 + i, 440 * 2 ** ((i - 48 + off(21 + i) / 100) / 12)]));
		const wander = (note: number) => 0.6 * Math.sin(5.1 * note);
		const left = pitches(() => 0);
		expect(
			jumpedNotes(
				left,
				pitches((note) => -5 + wander(note) + (note === 70 ? -9 : 0))
			)
		).toEqual([70]);
		// Of few notes nothing is claimed.
		expect(
			jumpedNotes(
				new Map([...left].slice(0, 10)),
				pitches((note) => wander(note))
			)
		).toEqual([]);
	});
});
