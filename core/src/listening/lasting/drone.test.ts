import { describe, expect, it } from 'vitest';
import { renderLastingTone, STEADY_REED } from '../../sounding/reed';
import { LastingListener } from './lastingListener';

const RATE = 44_100;
const cents = (from: number, to: number) => 1200 * Math.log2(to / from);
/** A drone all the time, and a reed in the midst of it. */
function sounds(drone: number, reed: number | undefined, share: number): Float32Array {
	const held = renderLastingTone(
		{ ...STEADY_REED, pitch: drone, seconds: 6.5, noise: 60, brightness: 0.6, seed: 1 },
		RATE
	);
	const tone = reed && renderLastingTone({ ...STEADY_REED, pitch: reed, seconds: 2.5, noise: 38, seed: 2 }, RATE);
	// It is there from the first to the last.
	return held.subarray(0, 6.2 * RATE).map((value, i) => share * value + (tone ? (tone[i - 2.5 * RATE] ?? 0) : 0));
}
function hear(sound: Float32Array, drone: number | undefined) {
	const listener = new LastingListener(RATE);
	listener.drone(drone);
	const events = [];
	for (let from = 0; from < sound.length; from += 1024)
		events.push(...listener.push(sound.subarray(from, from + 1024)));
	return events.filter(({ kind }) => kind === 'reading' || kind === 'refused');
}

describe('a drone that sounds', () => {
	it('is taken off: a reed beside it is read as if it were alone, near it or an interval away', () => {
		const beside = [
			[262, [-12, 4, 386]],
			[440, [-3, 15, 702]],
			[880, [-3, 4, 386]]
		] as const;
		for (const [drone, offs] of beside)
			for (const off of offs) {
				const reed = drone * 2 ** (off / 1200);
				const told = hear(sounds(drone, reed, 0.4), drone);
				expect(told.map(({ kind }) => kind)).toEqual(['reading']);
				const [event] = told;
				if (event.kind !== 'reading') throw new Error(event.kind);
				// A drone two fifths as loud as the reed leaves less than a third of a cent behind.
				expect(Math.abs(cents(reed, event.reading.pitch))).toBeLessThan(0.3);
			}
	});

	it('is itself no reed; without being told of it the listener reads it', () => {
		expect(hear(sounds(440, undefined, 0.4), 440)).toEqual([]);
		const short = new Float32Array(4 * RATE);
		short.set(sounds(440, undefined, 0.4).subarray(0, 3 * RATE));
		const [untold] = hear(short, undefined);
		expect(untold).toMatchObject({ kind: 'reading' });
	});

	it('that is turned up is learned anew, and never taken for a tone that goes on and on', () => {
		const held = renderLastingTone(
			{ ...STEADY_REED, pitch: 262, seconds: 30, noise: 60, brightness: 0.6, seed: 1 },
			RATE
		);
		const reed = renderLastingTone({ ...STEADY_REED, pitch: 264, seconds: 2.5, noise: 38, seed: 2 }, RATE);
		const listener = new LastingListener(RATE);
		listener.drone(262);
		const events = [];
		for (let from = 0; from < 28 * RATE; from += 1024)
			events.push(
				...listener.push(
					held
						.subarray(from, from + 1024)
						.map((value, i) => (from < 3 * RATE ? 0.2 : 0.5) * value + (reed[from + i - 24 * RATE] ?? 0))
				)
			);
		const told = events.filter(({ kind }) => kind !== 'level' && kind !== 'tone');
		expect(told.map(({ kind }) => kind)).toEqual([
			...['learning', 'learned', 'begun', 'over', 'learning', 'learned'],
			...['begun', 'reading']
		]);
		const last = told.at(-1)!;
		if (last.kind !== 'reading') throw new Error(last.kind);
		expect(Math.abs(cents(264, last.reading.pitch))).toBeLessThan(0.3);
	});
});
