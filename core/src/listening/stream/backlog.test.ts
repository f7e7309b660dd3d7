import { describe, expect, it } from 'vitest';
import { inRoom, struckKey, UPRIGHT } from '../../../fixtures/upright';
import { centsBetween } from '../../units/pitch';
import type { ListenerEvent } from '../events';
import { Backlog } from './backlog';
import { createListener } from './listener';

const RATE = 48_000;
const BLOCK = 1024;
const STRIKES = [0.3, 3.3, 6.3, 9.3].map((at, i) => ({ at, note: [45, 57, 69, 81][i] }));
const SOUND = inRoom(
	STRIKES.map(({ at, note }) => ({ at, sound: struckKey(note) })),
	12.5
);

/**
 * Listens on a machine on which every look at a sounding string takes so many seconds: what it hears, how far behind it
 * was at worst, and what it left out.
 */
function listenAt(secondsPerLook: number) {
	const listener = createListener({ sampleRate: RATE, strings: UPRIGHT });
	const backlog = new Backlog();
	const events: ListenerEvent[] = [];
	let [free, worst, skipped] = [0, 0, 0];
	for (let from = 0; from + BLOCK <= SOUND.length;) {
		const here = (from + BLOCK) / RATE;
		const begin = Math.max(free, here);
		const waiting = Math.min(begin - here, SOUND.length / RATE - here);
		worst = Math.max(worst, waiting);
		const catching = backlog.see(waiting);
		listener.spare(catching !== 'up');
		if (catching === 'skipping') {
			const lost = Math.floor((waiting * RATE) / BLOCK) * BLOCK;
			skipped += lost / RATE;
			events.push(...listener.lose(lost));
			from += lost;
			continue;
		}
		const told = listener.push(SOUND.subarray(from, from + BLOCK));
		events.push(...told);
		free = begin + secondsPerLook * told.filter(({ kind }) => kind === 'settling').length;
		from += BLOCK;
	}
	const readings = events.flatMap((event) => (event.kind === 'reading' ? [event.reading] : []));
	const looks = events.filter(({ kind }) => kind === 'settling').length;
	return {
		readings,
		looks,
		worst,
		skipped,
		refused: events.flatMap((each) => (each.kind === 'refused' ? each.why : []))
	};
}

describe('analysis that falls behind the sound', () => {
	const quick = listenAt(0);
	it('leaves out what no reading needs: the readings are the same', () => {
		expect(quick.readings.map(({ note }) => note)).toEqual(STRIKES.map(({ note }) => note));
		expect(quick.worst).toBe(0);
		// Looks follow each other by 43 ms: this machine needs twice that, and would be 4 s behind at the end.
		const slow = listenAt(0.085);
		expect(slow.readings).toEqual(quick.readings);
		expect(slow.worst).toBeLessThan(1);
		expect(slow.looks).toBeLessThan(0.8 * quick.looks);
		expect(slow.skipped).toBe(0);
	});

	it('follows again once it has caught up', () => {
		const backlog = new Backlog();
		expect([0.1, 0.3, 0.2, 0.1, 0.04, 0.2].map((waiting) => backlog.see(waiting))).toEqual([
			'up',
			'sparing',
			'sparing',
			'sparing',
			'up',
			'up'
		]);
	});

	it('on a machine that cannot keep up at all, breaks off what sounds, says so, and hears the next strikes', () => {
		const hopeless = listenAt(0.32);
		expect(hopeless.skipped).toBeGreaterThan(0);
		expect(hopeless.worst).toBeLessThan(5);
		expect(hopeless.refused.every((why) => why === 'interrupted')).toBe(true);
		expect(hopeless.readings.length).toBeGreaterThan(0);
		for (const { note, struckAt, pitch } of hopeless.readings) {
			const same = quick.readings.find((each) => Math.abs(each.struckAt - struckAt) < 0.01);
			expect(same?.note).toBe(note);
			// Frames lie elsewhere after the gap: a hundredth of a cent.
			expect(Math.abs(centsBetween(same!.pitch, pitch))).toBeLessThan(0.01);
		}
	});
});
