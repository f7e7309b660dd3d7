import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { renderSurroundings } from '../../sounding/otherSounds/surroundings';
import { renderLastingTone, STEADY_REED, type LastingTone } from '../../sounding/reed';
import { centsBetween } from '../../units/pitch';
import { hz } from '../../units/quantity';
import { LastingListener, type LastingEvent } from './lastingListener';

const RATE = 24_000;
const random = createRandom(7);
const room = (seconds: number, level = 1e-4) =>
	Float32Array.from({ length: Math.round(seconds * RATE) }, () => level * random.normal());
const reed = (of: Partial<LastingTone>) => renderLastingTone({ ...STEADY_REED, pitch: 440, seed: 3, ...of }, RATE);
/** Sounds after one another, each with a little silence about it, handed over in blocks of any size. */
function listen(...sounds: Float32Array[]): LastingEvent[] {
	const listener = new LastingListener(RATE);
	const events: LastingEvent[] = [];
	for (const sound of sounds.flatMap((each) => [room(0.4), each, room(0.6)]))
		for (let from = 0; from < sound.length; from += 777)
			events.push(...listener.push(sound.subarray(from, Math.min(sound.length, from + 777))));
	return events;
}
const readings = (events: readonly LastingEvent[]) =>
	events.flatMap((event) => (event.kind === 'reading' ? [event.reading] : []));
const refusals = (events: readonly LastingEvent[]) =>
	events.flatMap((event) => (event.kind === 'refused' ? [event.why] : []));
const added = (one: Float32Array, other: Float32Array) => one.map((value, i) => value + (other[i] ?? 0));

describe('a listener to tones that last', () => {
	it('reads every reed, however slowly the breath begins, and takes none for its octave', () => {
		const tones = Array.from({ length: 12 }, (_, i) => {
			const pitch = 440 * 2 ** ((43 + 4.6 * i - 69) / 12);
			const rise = 0.1 + (1.9 * (i % 5)) / 4;
			return { pitch, rise, seconds: 2 * rise + 1.6, seed: 11 + i, noise: 35 };
		});
		const read = readings(listen(...tones.map(reed)));
		expect(read).toHaveLength(tones.length);
		read.forEach(({ pitch, error, partner }, i) => {
			const off = Math.abs(centsBetween(hz(tones[i].pitch), pitch));
			expect(off).toBeLessThan(Math.max(0.1, 3 * error));
			expect(partner).toBeUndefined();
		});
	});

	it('tells the pitch twenty times a second while a tone sounds, and that it has begun', () => {
		const events = listen(reed({ seconds: 2 }));
		const points = events.filter((event) => event.kind === 'tone');
		expect(points.length).toBeGreaterThan(24);
		expect(points.slice(4, -4).every(({ pitch }) => Math.abs(centsBetween(hz(440), pitch)) < 0.5)).toBe(true);
		expect(events.filter(({ kind }) => kind === 'begun')).toHaveLength(1);
		const times = events.map(({ at }) => at);
		expect(times.every((at, i) => i === 0 || at >= times[i - 1])).toBe(true);
	});

	it('tells it as often at every rate of a sound card, of the lowest reeds too', () => {
		for (const rate of [22_050, 32_000])
			for (const pitch of [55, 440]) {
				const tone = { ...STEADY_REED, pitch, seconds: 2, noise: 60, seed: 5 };
				const points = new LastingListener(rate)
					.push(renderLastingTone(tone, rate))
					.filter((event) => event.kind === 'tone');
				expect(points.length).toBeGreaterThan(24);
				expect(points.slice(4, -4).every((point) => Math.abs(centsBetween(hz(pitch), point.pitch)) < 0.5)).toBe(true);
			}
	});

	it('says of every tone that has begun how it ended: also of what rings on, and of what a drone cuts off', () => {
		/** So many have begun and are not over. */
		const open = (events: readonly LastingEvent[]) =>
			events.reduce(
				(count, { kind }) =>
					kind === 'begun'
						? count + 1
						: kind === 'reading' || kind === 'refused' || kind === 'over'
							? count - 1
							: count,
				0
			);
		// It breaks off, and rings on a quarter tone away, too short to be told.
		const rings = Float32Array.from([
			...reed({ seconds: 2 }),
			...room(0.18),
			...reed({ seconds: 0.55, pitch: 452, rise: 0.02 })
		]);
		const rung = listen(rings);
		expect(open(rung)).toBe(0);
		expect(rung.map(({ kind }) => kind)).toContain('over');
		for (const pitch of [440, undefined]) {
			const listener = new LastingListener(RATE);
			const first = listener.push(Float32Array.from([...room(0.4), ...reed({ seconds: 2 }).subarray(0, RATE)]));
			expect(open(first)).toBe(1);
			listener.drone(pitch);
			expect(listener.push(room(0.1)).map(({ kind }) => kind)).toContain('over');
		}
	});

	it('tells the slope of a swell, and reads it at the breath at which it stood still', () => {
		const [read] = readings(listen(reed({ seconds: 5, from: -16, slope: -0.3, noise: 45 })));
		expect(Math.abs(read.slope!.slope + 0.3)).toBeLessThan(0.05);
		expect(readings(listen(reed({})))[0].slope).toBeUndefined();
	});

	it('reads a fork, which has its first harmonic alone and fades', () => {
		const fork = Float32Array.from(
			{ length: 4 * RATE },
			(_, i) => 0.1 * Math.min(1, i / 500) * Math.exp(-i / RATE / 2) * Math.sin((2 * Math.PI * 441.3 * i) / RATE)
		);
		const [read] = readings(listen(fork));
		expect(Math.abs(centsBetween(hz(441.3), read.pitch))).toBeLessThan(0.1);
		expect(read.partner).toBeUndefined();
	});

	it('notices a partner an octave above, and says how it beats', () => {
		const [read] = readings(listen(added(reed({ pitch: 220 }), reed({ pitch: 441.5, seed: 5 }))));
		expect(read.partner!.rate).toBeCloseTo(1.5, 1);
		expect(Math.abs(centsBetween(hz(220), read.pitch))).toBeLessThan(0.3);
	});

	it('refuses what is no figure, and says why', () => {
		expect(refusals(listen(added(reed({}), reed({ pitch: 554, seed: 9 }))))).toEqual(['two tones']);
		expect(refusals(listen(reed({ drift: 15, seconds: 3 })))).toEqual(['uneven']);
		expect(refusals(listen(reed({ wobble: { cents: 12, rate: 3 }, seconds: 3 })))).toEqual(['uneven']);
		expect(refusals(listen(reed({ seconds: 0.7, rise: 0.1 })))).toEqual(['too short']);
		expect(refusals(listen(room(3, 0.05)))).toEqual(['breath only']);
		expect(listen(room(3)).every(({ kind }) => kind === 'level')).toBe(true);
	});

	it('reads nothing of voices, music, fans and mains, and goes on when they are over', () => {
		for (const [i, id] of (['speech', 'music', 'fan', 'mains'] as const).entries()) {
			const events = listen(renderSurroundings(id, 4, 5 + i, RATE)!, reed({ pitch: 330 }));
			const read = readings(events);
			expect(read.filter(({ pitch }) => Math.abs(centsBetween(hz(330), pitch)) < 1)).toHaveLength(1);
			expect(read.length).toBeLessThanOrEqual(1);
		}
	});

	it('refuses a tone of which samples were lost, and reads one that the end of the sound cuts off', () => {
		const listener = new LastingListener(RATE);
		listener.push(reed({ seconds: 3 }).subarray(0, RATE));
		expect(listener.lose()).toMatchObject([{ kind: 'refused', why: 'interrupted' }]);
		expect(listener.lose()).toEqual([]);
		const again = new LastingListener(RATE);
		again.push(reed({ seconds: 4 }).subarray(0, 2 * RATE));
		expect(readings(again.end())).toHaveLength(1);
		expect(again.end()).toEqual([]);
		expect(() => new LastingListener(8000)).toThrow(RangeError);
	});
});
