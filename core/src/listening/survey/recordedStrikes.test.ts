import { describe, expect, it } from 'vitest';
import { inRoom, struckKey, UPRIGHT, uprightString } from '../../../fixtures/upright';
import { createRandom } from '../../numeric/random';
import { centsBetween, equalHz } from '../../units/pitch';
import { hz } from '../../units/quantity';
import { createRecordingListener, type RecordedStrike } from './recordedStrikes';

const OFF = -4;
/** Notes one after the other, as somebody plays them up the keyboard. */
function run(notes: readonly number[], rate: number, seconds = 1.3): Float32Array {
	const struck = notes.map((note, i) => ({
		at: 0.3 + i * seconds,
		sound: struckKey(note, { strings: [uprightString(note, OFF)], sampleRate: rate, seconds: seconds - 0.1 })
	}));
	return inRoom(struck, notes.length * seconds + 0.4, { rate, snr: 30 });
}
const heard = (found: readonly RecordedStrike[]) =>
	found.flatMap((each) => ('reading' in each ? [each.reading.note] : []));

describe('a recording of a keyboard', () => {
	it('gives every strike once, in order, with a closer look at those that sounded long enough', () => {
		const notes = [33, 45, 57, 64, 72, 84, 96];
		const listener = createRecordingListener({ strings: UPRIGHT }, 1);
		const found = [...listener.push(run(notes, 32_000), 32_000), ...listener.end()];
		expect(heard(found)).toEqual(notes);
		for (const each of found) {
			if (!('reading' in each)) throw new Error(each.refused);
			const { reading, analysis } = each;
			expect(centsBetween(equalHz(reading.note, hz(440)), reading.pitch)).toBeCloseTo(OFF, 0);
			if (reading.note < 72) expect(analysis).toMatchObject({ told: 1 });
		}
	});

	it('is the same whatever the pieces it comes in', () => {
		const sound = run([48, 60], 16_000);
		const whole = createRecordingListener({ strings: UPRIGHT }, 1);
		const pieces = createRecordingListener({ strings: UPRIGHT }, 1);
		const found: RecordedStrike[] = [];
		const random = createRandom(3);
		for (let at = 0; at < sound.length;) {
			const size = 1 + Math.floor(20_000 * random.uniform());
			found.push(...pieces.push(sound.subarray(at, at + size), 16_000));
			at += size;
		}
		const first = [...whole.push(sound, 16_000), ...whole.end()];
		expect(heard([...found, ...pieces.end()])).toEqual(heard(first));
	});

	it('may begin with the strike itself, and is told by its own clock', () => {
		const listener = createRecordingListener({ strings: UPRIGHT }, 1);
		const rate = 24_000;
		const sound = run([57], rate).subarray(0.3 * rate);
		const [first] = [...listener.push(sound, rate), ...listener.end()];
		expect(heard([first])).toEqual([57]);
		expect(first.at).toBeCloseTo(0, 1);
	});

	it('goes on when the rate changes in the middle', () => {
		const listener = createRecordingListener({ strings: UPRIGHT }, 1);
		const found = [
			...listener.push(run([48, 60], 44_100), 44_100),
			...listener.push(run([67, 55], 22_050), 22_050),
			...listener.end()
		];
		expect(heard(found)).toEqual([48, 60, 67, 55]);
	});

	it('is empty when it is silent, broken or nothing', () => {
		const listener = createRecordingListener({ strings: UPRIGHT }, 1);
		expect(listener.end()).toEqual([]);
		const broken = new Float32Array(32_000).map((_, i) => (i % 3 ? NaN : i % 2 ? Infinity : -1e30));
		expect([
			...listener.push(new Float32Array(48_000), 16_000),
			...listener.push(broken, 16_000),
			...listener.end()
		]).toEqual([]);
	});
});
