import { noteName } from '../units/note';
import { eitherWay, oneOf, type ChoiceDrill, type ChoiceRegister } from './drill';
import { movedBy } from '../strings/movedString';
import { chord, inSuccession } from './strings';

const F3 = 53;
const SECONDS = { step: 1.9, note: 1.2 } as const;
const THIRD = 4;
/** The notes of which one is moved when a note is to be named: each is the upper one of a third, and then the lower one of another. */
const NAMED = [57, 58, 59, 60, 61] as const;

const register = (id: string, name: string, choices: number, usual: number): ChoiceRegister => ({
	...{ id, name, lowest: F3, highest: F3 + (id === 'note' ? 8 : 4) },
	task: { guess: 1 / choices, smallest: 0.3, largest: 30, usual }
});

/** Major thirds from F3 upwards, each a little faster than the one before; one note stands some cents off. */
export const STAIRCASE: ChoiceDrill = {
	...{ kind: 'choice', id: 'staircase', reach: { below: 0, above: THIRD } },
	registers: [
		register('step', 'Five thirds from F3: which step is out', 5, 2),
		{ ...register('note', 'Nine thirds from F3: which note is out', NAMED.length, 2.5), answers: NAMED.map(noteName) }
	],
	trial(strings, { id }, size, random) {
		const right = oneOf(5, random);
		const way = eitherWay(random);
		// The note that only this one of five thirds has: the lower one of the last is the upper one of the first.
		const ofStep = right === 0 ? F3 : right === 4 || random.uniform() < 0.5 ? F3 + right + THIRD : F3 + right;
		const off = id === 'note' ? NAMED[right] : ofStep;
		const voice = (note: number) => ({
			note,
			string: note === off ? movedBy(strings(note), way * size) : strings(note)
		});
		const third = (note: number, seconds: number) => chord(seconds, voice(note), voice(note + THIRD));
		const moved = { note: off, way };
		return id === 'note'
			? { sounds: [inSuccession(Array.from({ length: 9 }, (_, i) => third(F3 + i, SECONDS.note)))], right, moved }
			: { sounds: Array.from({ length: 5 }, (_, i) => [third(F3 + i, SECONDS.step)]), right, moved };
	}
};
