import { partialHz, stringFromFirstPartial } from '../strings/stiffString';
import { INTERVALS } from '../intervals/intervalKinds';
import { centsBetween, hzAbove } from '../units/pitch';
import { cents } from '../units/quantity';
import { noteOf, oneOf, type ChoiceDrill, type ChoiceRegister } from './drill';
import { chord, inSuccession, upperFor } from './strings';

const SECONDS = { step: 0.9, octave: 2.2 } as const;

/** Three pure major thirds fall short of an octave by the lesser diesis, four pure minor thirds exceed it by the greater one; in cents. */
export const DIESES = {
	major: 1200 * Math.log2(2 / (5 / 4) ** 3),
	minor: 1200 * Math.log2((6 / 5) ** 4 / 2)
} as const;

const CHAINS: Readonly<Record<string, { readonly semitones: number; readonly sense: -1 | 1 }>> = {
	major: { semitones: 4, sense: -1 },
	minor: { semitones: 3, sense: 1 }
};
const register = (id: keyof typeof DIESES, name: string): ChoiceRegister => ({
	...{ id, name, lowest: 53, highest: 60 },
	task: { guess: 1 / 3, smallest: 0.3, largest: DIESES[id], usual: 3 }
});

/**
 * Three chains of equal thirds that make an octave, and the octave they end in; one chain is tempered less and does not come
 * round. At the largest size its thirds are pure.
 */
export const COMMAS: ChoiceDrill = {
	...{ kind: 'choice', id: 'commas', reach: { below: 0, above: 12 } },
	registers: [
		register('major', 'Three major thirds: short by up to 41.06 cents'),
		register('minor', 'Four minor thirds: beyond by up to 62.57 cents')
	],
	trial(strings, of, size, random) {
		const { semitones, sense } = CHAINS[of.id];
		const links = 12 / semitones;
		const note = noteOf(of, random);
		const lower = strings(note);
		const from = partialHz(lower, 1);
		const round = centsBetween(
			from,
			partialHz(upperFor(lower, strings(note + 12).inharmonicity, INTERVALS.octave42, 0), 1)
		);
		const right = oneOf(3, random);
		const chain = (off: number) => {
			const voices = Array.from({ length: links + 1 }, (_, i) => {
				const at = note + i * semitones;
				const pitch = hzAbove(from, cents(((round + off) * i) / links));
				return { note: at, string: i === 0 ? lower : stringFromFirstPartial(pitch, strings(at).inharmonicity) };
			});
			const thirds = voices.slice(1).map((voice, i) => chord(SECONDS.step, voices[i], voice));
			return inSuccession([...thirds, chord(SECONDS.octave, voices[0], voices[links])]);
		};
		return { right, sounds: [0, 1, 2].map((i) => chain(i === right ? sense * size : 0)) };
	}
};
