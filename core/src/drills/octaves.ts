import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import { noteOf, oneOf, type ChoiceDrill, type DrillRegister } from './drill';
import { movedBy, upperFor } from './strings';

const SECONDS = 2.6;
/** The coincidence at which octaves are set pure, by register. */
const PURE_AT: Readonly<Record<string, IntervalKind>> = {
	bass: INTERVALS.octave63,
	middle: INTERVALS.octave42,
	treble: INTERVALS.octave
};
const register = (id: string, name: string, lowest: number, usual: number): DrillRegister => ({
	...{ id, name, lowest, highest: lowest + 11 },
	task: { guess: 1 / 3, smallest: 0.2, largest: 30, usual }
});

/** Three octaves on one lower note: two are pure where octaves are set there, one is some cents wide or narrow. */
export const OCTAVES_DRILL: ChoiceDrill = {
	id: 'octaves',
	choices: 3,
	registers: [
		register('middle', 'From F3 by 4:2', 53, 2),
		register('bass', 'From F1 by 6:3', 29, 4),
		register('treble', 'From F5 by 2:1', 77, 2.5)
	],
	trial(strings, of, size, random) {
		const note = noteOf(of, random);
		const lower = strings(note);
		const pure = upperFor(lower, strings(note + 12).inharmonicity, PURE_AT[of.id], 0);
		const right = oneOf(3, random);
		const way = random.uniform() < 0.5 ? -1 : 1;
		const sound = (off: number) => [
			{
				at: 0,
				seconds: SECONDS,
				voices: [
					{ note, string: lower },
					{ note: note + 12, string: off ? movedBy(pure, off) : pure }
				]
			}
		];
		return { right, sounds: [0, 1, 2].map((i) => sound(i === right ? way * size : 0)) };
	}
};
