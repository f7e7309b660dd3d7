import { noteOf, oneOf, type ChoiceDrill } from './drill';
import { movedBy } from './strings';

/** Long enough for a beat of one in two seconds to be heard. */
const SECONDS = 2.4;
const task = (usual: number) => ({ guess: 1 / 3, smallest: 0.1, largest: 20, usual });

/** Three unisons of two strings; one of them is some cents apart. */
export const SIZES: ChoiceDrill = {
	id: 'sizes',
	choices: 3,
	registers: [
		{ id: 'middle', name: 'A3 to G♯4', lowest: 57, highest: 68, task: task(1.5) },
		{ id: 'tenor', name: 'C3 to G♯3', lowest: 48, highest: 56, task: task(2) },
		{ id: 'treble', name: 'A4 to G♯5', lowest: 69, highest: 80, task: task(1) },
		{ id: 'top', name: 'A5 to G♯6', lowest: 81, highest: 92, task: task(0.7) }
	],
	trial(strings, register, size, random) {
		const note = noteOf(register, random);
		const string = strings(note);
		const right = oneOf(3, random);
		const way = random.uniform() < 0.5 ? -1 : 1;
		const unison = (apart: number) => [
			{
				at: 0,
				seconds: SECONDS,
				voices: [
					{ note, string },
					{ note, string: movedBy(string, apart) }
				]
			}
		];
		return { right, sounds: [0, 1, 2].map((i) => unison(i === right ? way * size : 0)) };
	}
};
