import { USUAL_HABITS } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { draftOf, readDraft } from './draft';
import { LISTENING, putBack, SettingLines } from './lines';
import { USUAL_SETTINGS } from './settings';

describe('what a workshop decides, line by line', () => {
	it('is found by any words of its name', () => {
		const lines = new SettingLines(draftOf(USUAL_SETTINGS));
		expect(lines.find('months stage').map(({ path }) => path)).toEqual(['again.stage']);
		expect(lines.find('Lessons touch').map(({ path }) => path)).toEqual(['purposes.lesson.touchUp']);
		expect(lines.find('nothing of the kind')).toEqual([]);
		expect(lines.find('  ')).toEqual([]);
	});

	it('is said where it differs from the usual, and put back', async () => {
		const draft = draftOf(USUAL_SETTINGS);
		expect(new SettingLines(draft).differing).toEqual([]);
		draft.purposes.lesson.tune = '9';
		draft.writing.letters = 'german';
		draft.raise.cap = 20;
		draft.price.tuning = '95';
		const lines = new SettingLines(draft);
		const paths = lines.differing.map(({ path }) => path);
		expect(new Set(paths)).toEqual(
			new Set(['purposes.lesson.tune', 'writing.letters', ...(USUAL_SETTINGS.raise.cap === 20 ? [] : ['raise.cap'])])
		);
		for (const path of paths) putBack(draft, path);
		expect(new SettingLines(draft).differing).toEqual([]);
		const read = await readDraft(draft);
		expect('value' in read && read.value.price.tuning).toBe(95);
		expect('value' in read && read.value.writing).toEqual(USUAL_SETTINGS.writing);
	});

	it('knows of how strikes are read, too', () => {
		const draft = draftOf(USUAL_SETTINGS);
		const habits = USUAL_HABITS.map((habit, i) => (i ? habit : { ...habit, moment: 0.9 }));
		const lines = new SettingLines(draft, habits);
		expect(lines.find('strike is read').map(({ path }) => path)).toEqual([LISTENING]);
		expect(lines.differing.map(({ path }) => path)).toEqual([LISTENING]);
	});
});
