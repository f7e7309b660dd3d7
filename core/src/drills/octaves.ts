import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import { eitherWay, noteOf, oneOf, type ChoiceDrill, type ChoiceRegister, type Strings } from './drill';
import { movedBy } from '../strings/movedString';
import { chord, upperFor } from './strings';

const SECONDS = 2.6;
/** The coincidence at which octaves are set pure, by register, and its test note: so many semitones below the lower note. */
const SET_BY: Readonly<Record<string, { readonly pure: IntervalKind; readonly test: number }>> = {
	bass: { pure: INTERVALS.octave63, test: -3 },
	middle: { pure: INTERVALS.octave42, test: 4 },
	treble: { pure: INTERVALS.octave, test: 4 }
};
type Task = ChoiceRegister['task'];
const register = (id: string, name: string, lowest: number, task: Task): ChoiceRegister => ({
	...{ id, name, lowest, highest: lowest + 11, task }
});
const task = (guess: number, usual: number): Task => ({ guess, smallest: 0.2, largest: 30, usual });

/** The lower string, and the upper one as it is pure where octaves are set there. */
function octave(strings: Strings, note: number, id: string) {
	const lower = strings(note);
	return { lower, pure: upperFor(lower, strings(note + 12).inharmonicity, SET_BY[id].pure, 0) };
}

/** Three octaves on one lower note: two are pure where octaves are set there, one is some cents wide or narrow. */
export const OCTAVES_DRILL: ChoiceDrill = {
	...{ kind: 'choice', id: 'octaves', reach: { below: 0, above: 12 } },
	registers: [
		register('middle', 'From F3 by 4:2', 53, task(1 / 3, 2)),
		register('bass', 'From F1 by 6:3', 29, task(1 / 3, 4)),
		register('treble', 'From F5 by 2:1', 77, task(1 / 3, 2.5))
	],
	trial(strings, of, size, random) {
		const note = noteOf(of, random);
		const { lower, pure } = octave(strings, note, of.id);
		const right = oneOf(3, random);
		const way = eitherWay(random);
		const sound = (off: number) => [
			chord(SECONDS, { note, string: lower }, { note: note + 12, string: off ? movedBy(pure, off) : pure })
		];
		return { right, sounds: [0, 1, 2].map((i) => sound(i === right ? way * size : 0)) };
	}
};

const widths = (id: string, name: string, lowest: number, usual: number): ChoiceRegister => ({
	...register(id, name, lowest, task(1 / 2, usual)),
	answers: ['Narrow', 'Wide']
});

/**
 * An octave, and the test that tells its sense: the test note with the lower note, then with the upper one. A third and a tenth
 * prove 4:2, a minor third and a major sixth 6:3; the side that beats faster says whether the octave is wide.
 */
export const WIDE_OR_NARROW: ChoiceDrill = {
	...{ kind: 'choice', id: 'wide', reach: { below: 4, above: 12 } },
	registers: [
		widths('middle', '4:2 by third and tenth', 53, 2),
		widths('bass', '6:3 by minor third and sixth', 41, 2.5)
	],
	trial(strings, of, size, random) {
		const note = noteOf(of, random);
		const { lower, pure } = octave(strings, note, of.id);
		const way = eitherWay(random);
		const upper = { note: note + 12, string: movedBy(pure, way * size) };
		const { test } = SET_BY[of.id];
		// Below the octave for 4:2, within it for 6:3.
		const at = note - test;
		const third = { note: at, string: strings(at) };
		const low = { note, string: lower };
		const sounds = [[chord(SECONDS, low, upper)], [chord(SECONDS, third, low)], [chord(SECONDS, third, upper)]];
		return { sounds, way, right: way > 0 ? 1 : 0 };
	}
};
