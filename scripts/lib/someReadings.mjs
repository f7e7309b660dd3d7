// @ts-check
// Readings as a device hands them over.
import { randomUUID } from 'node:crypto';

/** As in web/src/lib/record/format.ts. */
export const FORMAT = 2;

/** @param {number} note @param {number} counter */
export function anyReading(note, counter) {
	const pitch = 440 * 2 ** ((note - 69) / 12);
	return {
		...{
			way: 'struck',
			id: randomUUID(),
			counter,
			takenAt: new Date(),
			sounders: [`${note}/middle`],
			source: 'microphone'
		},
		...{
			pitch,
			pitchError: 0.02,
			target: pitch,
			deviation: 0,
			fundamental: pitch,
			inharmonicity: 4e-4,
			inharmonicityError: 1e-6
		},
		...{ moment: 0.6, listened: null, falseBeat: null, falseBeatDepth: null, spread: null, spreadError: null },
		partials: [1, 2, 3, 4].map((partial) => ({
			partial,
			frequency: partial * pitch,
			error: 0.01,
			level: -10 * partial
		}))
	};
}
