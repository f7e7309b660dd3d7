import { describe, expect, it } from 'vitest';
import { placed, struckKey, uprightString } from '../../../fixtures/upright';
import { createRandom } from '../../numeric/random';
import { typicalInharmonicity } from '../../strings/inharmonicity';
import { hz } from '../../units/quantity';
import { createListener } from './listener';
import { StrikeKeeper, type KeptStrike } from './strikeKeeper';
import { analyseUnison } from '../closer/unison';

const RATE = 24_000;
/** Strikes at given seconds into a quiet room, heard block by block as from a device. */
function hear(
	strikes: readonly {
		readonly at: number;
		readonly note: number;
		readonly offs: readonly number[];
		readonly rings?: number;
	}[],
	seconds: number
) {
	const random = createRandom(2);
	const struck = strikes.map(({ at, note, offs, rings = 2.4 }) => {
		const strings = offs.map((off) => uprightString(note, off));
		return { at, sound: struckKey(note, { strings, sampleRate: RATE, seconds: rings, strength: 0.8 }) };
	});
	const sound = placed(struck, seconds, RATE).map((value) => value + 1e-4 * random.normal());
	const listener = createListener({
		sampleRate: RATE,
		strings: { lowest: 21, highest: 108, a4: hz(440), inharmonicityAt: (note) => typicalInharmonicity('upright', note) }
	});
	const keeper = new StrikeKeeper(RATE, (note) => typicalInharmonicity('upright', note));
	const kept: KeptStrike[] = [];
	for (let from = 0; from < sound.length; from += 700) {
		const block = sound.subarray(from, from + 700);
		kept.push(...keeper.push(block, listener.push(block)));
	}
	return { kept, sound };
}

describe('a kept strike', () => {
	it('is the sound from its settling on, sample by sample, and shows the unison', () => {
		const { kept, sound } = hear([{ at: 0.5, note: 60, offs: [0, 2.5] }], 3.5);
		expect(kept.map(({ reading }) => reading.note)).toEqual([60]);
		const [{ reading, samples, settledFrom, string }] = kept;
		expect(reading.struckAt).toBeCloseTo(0.5, 1);
		const from = Math.round((reading.struckAt - 0.01) * RATE);
		expect([...samples.subarray(0, 500)]).toEqual([...sound.subarray(from, from + 500)]);
		expect(settledFrom / RATE).toBeCloseTo(0.26, 3);
		expect(samples.length / RATE).toBeCloseTo(0.26 + 1.8, 3);
		const settled = samples.subarray(settledFrom);
		const { told, spread } = analyseUnison({ samples: settled, sampleRate: RATE, string, strings: 2 });
		expect(told).toBe(2);
		expect(spread!.cents).toBeCloseTo(2.5, 1);
	});

	it('ends where the next strike falls, and is none when too little was heard', () => {
		const { kept } = hear(
			[
				{ at: 0.4, note: 60, offs: [0], rings: 1.19 },
				{ at: 1.6, note: 64, offs: [0], rings: 0.35 },
				{ at: 2.1, note: 67, offs: [0] }
			],
			4.8
		);
		expect(kept.map(({ reading }) => reading.note)).toEqual([60, 67]);
		expect((kept[0].samples.length - kept[0].settledFrom) / RATE).toBeCloseTo(1.6 - 0.4 - 0.25, 1);
		expect(hear([], 2).kept).toEqual([]);
	});
});
