import { noteOf, oneOf, type ChoiceDrill, type ChoiceRegister } from './drill';
import { chord } from './strings';

/** Decibels by which the partial is louder where it is heard alone: by itself it is faint. */
const ALONE_DB = 12;
const SECONDS = { alone: 1.4, whole: 2.4 } as const;
/** Which partials are sought, by register. */
const SOUGHT: Readonly<Record<string, readonly number[]>> = { low: [2, 3], high: [4, 5, 6] };
const register = (id: string, name: string, usual: number): ChoiceRegister => ({
	...{ id, name, lowest: 41, highest: 60 },
	task: { guess: 1 / 3, smallest: 1, largest: 30, usual }
});
const gainOf = (db: number) => 10 ** (db / 20);

/**
 * A partial alone, faded into its whole note; then the whole note three times, in one of them with that partial some decibels
 * louder. Sizes are those decibels.
 */
export const PARTIALS: ChoiceDrill = {
	...{ kind: 'choice', id: 'partials', reach: { below: 0, above: 0 } },
	registers: [register('low', 'The second and third partial', 6), register('high', 'The fourth to the sixth', 8)],
	trial(strings, of, size, random) {
		const note = noteOf(of, random);
		const sought = SOUGHT[of.id];
		const partial = sought[oneOf(sought.length, random)];
		const string = strings(note);
		const right = oneOf(3, random);
		const alone = { note, string, partials: { partial, gain: gainOf(ALONE_DB), others: 0 } };
		const whole = (db: number) => ({ note, string, partials: { partial, gain: gainOf(db), others: 1 } });
		const cue = [chord(SECONDS.alone + SECONDS.whole, alone), { ...chord(SECONDS.whole, whole(0)), at: SECONDS.alone }];
		const sounds = [0, 1, 2].map((i) => [chord(SECONDS.whole, whole(i === right ? size : 0))]);
		return { sounds: [cue, ...sounds], before: 1, right };
	}
};
