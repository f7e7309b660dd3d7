import { eitherWay, noteOf, type ChoiceDrill } from './drill';
import { UNISON_REGISTERS } from './sizes';
import { movedBy } from '../strings/movedString';
import { chord } from './strings';

const SECONDS = 1.6;
const [middle, tenor, treble, top] = UNISON_REGISTERS.map(({ usual, ...of }) => ({
	...of,
	task: { guess: 1 / 2, smallest: 0.5, largest: 60, usual: 3 * usual },
	answers: ['Flat', 'Sharp']
}));

/** A steady note, and then the same note a little flat or sharp: never both at once, so that no beat tells. */
export const DIRECTION: ChoiceDrill = {
	...{ kind: 'choice', id: 'direction', reach: { below: 0, above: 0 } },
	registers: [middle, tenor, treble, top],
	trial(strings, of, size, random) {
		const note = noteOf(of, random);
		const way = eitherWay(random);
		const sound = (off: number) => [chord(SECONDS, { note, string: movedBy(strings(note), off) })];
		return { sounds: [sound(0), sound(way * size)], right: way > 0 ? 1 : 0, way };
	}
};
