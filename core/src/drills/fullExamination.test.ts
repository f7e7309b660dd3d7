import { describe, expect, it } from 'vitest';
import { DEFAULT_EAR } from '../bearing/ear';
import { bearingPlan } from '../bearing/plan';
import { createRandom } from '../numeric/random';
import { examine } from '../proving/examination';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { stringFromFirstPartial } from '../strings/stiffString';
import { temperamentById } from '../temperament/library';
import { equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { examinedTasks, readAgain, type LeftTask } from './fullExamination';
import { HeldString } from './holding';

const strings = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), typicalInharmonicity('upright', note));
const plan = bearingPlan({
	...{ school: 'circle', start: 69, low: 53, high: 65, strings, ear: DEFAULT_EAR },
	temperament: temperamentById('equal')
});
const tasks = examinedTasks(plan, () => 0, createRandom(6));

const SECOND = 1000;
/** Sets a string so that it stays: firm blows, the pin by what is left, a pause in which it creeps, again and again. @returns when it is left */
function setWell(string: HeldString): number {
	let now = 0;
	for (let round = 0; round < 12; round++) {
		for (let i = 0; i < 3; i++) string.strike('blow', now);
		string.turn(-string.standing(now), now);
		now += 30 * SECOND;
	}
	for (let i = 0; i < 3; i++) string.strike('blow', now);
	return now;
}
const leave = (how: (string: HeldString) => number): LeftTask[] =>
	tasks.map((task) => {
		const string = new HeldString(task.exercise);
		return { task, at: how(string), string };
	});

describe('a full examination', () => {
	it('asks for the fork first, then the temperament from what stands, then the rest and unisons', () => {
		const sections = tasks.map(({ section }) => section);
		expect(sections[0]).toBe('pitch');
		expect(new Set(sections)).toEqual(new Set(['pitch', 'temperament', 'middle', 'treble', 'bass', 'unisons']));
		expect(sections.filter((section) => section === 'temperament')).toHaveLength(13);
		const set = new Set([69]);
		for (const { section, by, exercise } of tasks) {
			if (section !== 'temperament' || by.is !== 'interval') continue;
			expect(set.has(by.other)).toBe(true);
			set.add(exercise.note);
		}
		for (const { exercise } of tasks) expect(Math.abs(exercise.from)).toBeGreaterThanOrEqual(1.5);
	});

	it('gives all to who sets and strikes, and takes it from who leaves things as they were found', () => {
		const good = examine(readAgain(leave(setWell)));
		expect(good.score).toBeGreaterThan(90);
		const found = examine(readAgain(leave(() => 0)));
		expect(found.score).toBeLessThan(45);
		const sections = new Map(found.sections.map(({ section, read }) => [section, read]));
		expect(sections.get('unisons')).toBe(4);
		expect(sections.get('holding')).toBe(tasks.length);
	});

	it('takes points where strings were only turned to their place: blows move them away from it', () => {
		const turned = leave((string) => {
			for (let i = 0; i < 400 && Math.abs(string.standing(0)) > 0.02; i++)
				string.turn(-Math.sign(string.standing(0)) * 0.05, 0);
			return 0;
		});
		const score = (of: LeftTask[]) =>
			examine(readAgain(of)).sections.find(({ section }) => section === 'temperament')!.score!;
		expect(score(turned)).toBeLessThan(score(leave(setWell)) - 20);
	});
});
