import { eitherWay, noteOf, oneOf, type ChoiceDrill, type DrillRegister } from './drill';
import { movedBy } from '../strings/movedString';
import { chord } from './strings';

/** Long enough for a beat of one in two seconds to be heard. */
const SECONDS = 2.4;

/** Where unisons are heard, and how many cents most ears tell there. */
export const UNISON_REGISTERS = [
	{ id: 'middle', name: 'A3 to G♯4', lowest: 57, highest: 68, usual: 1.5 },
	{ id: 'tenor', name: 'C3 to G♯3', lowest: 48, highest: 56, usual: 2 },
	{ id: 'treble', name: 'A4 to G♯5', lowest: 69, highest: 80, usual: 1 },
	{ id: 'top', name: 'A5 to G♯6', lowest: 81, highest: 92, usual: 0.7 }
] as const satisfies readonly (DrillRegister & { readonly usual: number })[];

const register = ({ usual, ...of }: (typeof UNISON_REGISTERS)[number]) => ({
	...of,
	task: { guess: 1 / 3, smallest: 0.1, largest: 20, usual }
});
const [middle, tenor, treble, top] = UNISON_REGISTERS;

/** Three unisons of two strings; one of them is some cents apart. */
export const SIZES: ChoiceDrill = {
	...{ kind: 'choice', id: 'sizes', reach: { below: 0, above: 0 } },
	registers: [register(middle), register(tenor), register(treble), register(top)],
	trial(strings, of, size, random) {
		const note = noteOf(of, random);
		const string = strings(note);
		const right = oneOf(3, random);
		const way = eitherWay(random);
		const unison = (apart: number) => [chord(SECONDS, { note, string }, { note, string: movedBy(string, apart) })];
		return { right, sounds: [0, 1, 2].map((i) => unison(i === right ? way * size : 0)) };
	}
};
