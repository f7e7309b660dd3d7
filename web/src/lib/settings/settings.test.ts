import { describe, expect, it } from 'vitest';
import { draftOf, readDraft, type Draft } from './draft';
import { readRuns, writtenRuns } from './noteRuns';
import { money, USUAL_SETTINGS } from './settings';
import { settingsSchema } from './settingsSchema';

const draft = (change: (draft: Draft) => void): Draft => {
	const made = draftOf(USUAL_SETTINGS);
	change(made);
	return made;
};

describe('what a workshop decides', () => {
	it('as usual goes through as it is, and comes back from what is typed', async () => {
		expect(settingsSchema.parse(USUAL_SETTINGS)).toEqual(USUAL_SETTINGS);
		expect(await readDraft(draftOf(USUAL_SETTINGS))).toEqual({ value: USUAL_SETTINGS });
	});

	it('says which figure cannot be read, by its line and column', async () => {
		const wrong = [
			[(d: Draft) => (d.purposes.home.tune = 'five'), 'Home, tune once up to, cents: enter a number.'],
			[
				(d: Draft) => (d.purposes.stage.unison = '40'),
				'Stage, a unison may beat, per second: a number from 0.05 to 3 belongs there.'
			],
			[(d: Draft) => (d.price.pass = '-3'), 'Price, each pass before it: a number from 0 to 1000000 belongs there.'],
			[(d: Draft) => (d.again.inUse = ''), 'Months, in use: enter a number.']
		] as const;
		for (const [change, problem] of wrong) expect(await readDraft(draft(change))).toEqual({ problem });
		const turned = await readDraft(draft((d) => (d.purposes.lesson.tune = '12')));
		expect(turned).toMatchObject({ problem: expect.stringMatching(/^Lessons: work grows with what is off/) });
	});

	it('takes a decimal comma', async () => {
		const read = await readDraft(draft((d) => (d.purposes.home.tolerance = '2,5')));
		expect('value' in read && read.value.purposes.home.tolerance).toBe(2.5);
	});

	it('names a price only where there is one', () => {
		expect(money(USUAL_SETTINGS, 90)).toBeUndefined();
		expect(money({ ...USUAL_SETTINGS, price: { ...USUAL_SETTINGS.price, tuning: 95 } }, 135)).toBe('€ 135');
	});
});

describe('runs of notes', () => {
	it('go to text and back', () => {
		const runs = [
			[53, 65],
			[66, 108],
			[52, 21],
			[72, 72]
		] as const;
		expect(writtenRuns(runs)).toBe('F3 to F4, F#4 to C8, E3 to A0, C5');
		expect(readRuns(writtenRuns(runs))).toEqual({ value: runs });
		expect(readRuns('f3-f4; F#4 – C8')).toEqual({ value: runs.slice(0, 2) });
	});

	it('are refused with what was not understood', () => {
		expect(readRuns('F3 to H9')).toEqual({ problem: expect.stringContaining('“F3 to H9” is no run of notes.') });
		expect(readRuns('')).toEqual({ problem: expect.stringContaining('Name the runs') });
	});
});
