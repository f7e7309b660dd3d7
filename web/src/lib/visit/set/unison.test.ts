import { describe, expect, it } from 'vitest';
import { beatsPerSecond, cents, type PartialBeat, type UnisonAnalysis } from '@fendrel/core';
import { unisonWords } from './unisonWords';

const partial = (n: number, beat?: number, depth = 0): PartialBeat => ({
	partial: n,
	components: [{ frequency: 261.6 * n, error: 0.001, amplitude: 1, decaySeconds: 1 }],
	beat: beat === undefined ? undefined : beatsPerSecond(beat),
	depth,
	slowest: beatsPerSecond(0.3),
	unresolved: cents(1.1 / n)
});
const heard = (strings: number, change: Partial<UnisonAnalysis>) =>
	unisonWords(
		{ note: 60, strings, analysis: { partials: [], told: 1, spread: undefined, unresolved: cents(0.3), ...change } },
		440
	);

describe('a unison in words', () => {
	it('gives the spread with its error, the beats where they are heard, and what else it may be', () => {
		const words = heard(2, {
			told: 2,
			spread: { cents: cents(2.34), error: cents(0.04) },
			partials: [partial(1, 0.35, 0.8), partial(2, 0.71, 0.3), partial(3, 1.1, 0.05)]
		});
		expect(words).toMatchObject({ title: 'C4, 2 strings', figure: '2.3', unit: 'cents from end to end' });
		expect(words.beats).toEqual([
			{ partial: 1, at: 'C4', rate: '0.3', depth: 'deep' },
			{ partial: 2, at: 'C5', rate: '0.7', depth: 'shallow' }
		]);
		expect(words.how).toBe('Known to ±0.1. One string’s false beat looks the same: mute all but one to see.');
	});

	it('says how many strings it told apart, and what it could not have told', () => {
		expect(heard(3, { told: 2, spread: { cents: cents(1), error: cents(0.01) } }).unit).toContain(
			'2 of 3 strings told apart'
		);
		expect(heard(3, { partials: [partial(1)] })).toMatchObject({
			figure: 'Still',
			how: 'The unison is clean. Nothing finer than 0.3 cents could be heard in this strike.'
		});
	});

	it('calls a single string’s beat a false one', () => {
		const words = heard(1, { told: 2, partials: [partial(1), partial(4, 1.3, 0.4)] });
		expect([words.figure, words.unit]).toEqual(['1.3', 'false beats per second']);
		expect(words.how).toContain('at C6');
		expect(heard(1, { partials: [partial(1)] }).unit).toBe('no false beat');
	});
});
