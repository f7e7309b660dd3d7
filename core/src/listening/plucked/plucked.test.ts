import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { renderPluck, USUAL_PLUCK, type Pluck } from '../../sounding/pluck';
import { centsBetween } from '../../units/pitch';
import { hz } from '../../units/quantity';
import { FALL_MOMENTS, pitchFall } from './pitchFall';
import { PluckListener } from './pluckListener';

const RATE = 24_000;
/** Guitar, open: E2 to E4; and up the neck. */
const NOTES = [82.41, 110, 146.83, 196, 246.94, 329.63, 493.88, 659.26];

const made = (pitch: number, seed: number, more: Partial<Pluck> = {}): Pluck => ({
	...USUAL_PLUCK,
	pitch,
	seed,
	...more
});
const truthAt = ({ pitch, sharp, settles }: Pluck, moment: number) =>
	hz(pitch * 2 ** ((sharp * Math.exp(-moment / settles)) / 1200));
/** The value below which so many of them lie. */
const share = (values: readonly number[], part: number) =>
	[...values].sort((a, b) => a - b)[Math.floor(part * (values.length - 1))];

describe('the pitch of a plucked string', () => {
	it('is told at fixed moments: half a cent at 0.1 s, a fifth later, errors true', () => {
		const off: Record<number, number[]> = { 0.1: [], 0.5: [], 1.5: [] };
		let [honest, all] = [0, 0];
		for (let seed = 1; seed <= 24; seed++) {
			const random = createRandom(seed);
			const pitch = NOTES[seed % NOTES.length] * 2 ** ((20 * random.normal()) / 1200);
			const pluck = made(pitch, seed, {
				...{ sharp: 8 * random.uniform(), inharmonicity: 10 ** (-5 + 1.2 * random.uniform()) },
				...{ at: 0.12 + 0.15 * random.uniform(), rings: 0.9 + random.uniform(), noise: 45 + 10 * random.uniform() }
			});
			const about = pitch * 2 ** ((25 * random.normal()) / 1200);
			const fall = pitchFall(renderPluck(pluck, RATE), RATE, about)!;
			expect(fall.at.map(({ moment }) => moment)).toEqual([...FALL_MOMENTS]);
			for (const { moment, pitch: found, error } of fall.at) {
				const stray = Math.abs(centsBetween(truthAt(pluck, moment), found));
				off[moment].push(stray);
				all++;
				if (stray < 2 * error) honest++;
			}
		}
		expect(share(off[0.1], 0.95)).toBeLessThan(0.5);
		expect(share(off[0.5], 0.95)).toBeLessThan(0.2);
		expect(share(off[1.5], 0.95)).toBeLessThan(0.2);
		expect(honest / all).toBeGreaterThan(0.85);
	});

	it('tells soft from hard, and a harmonic from the stopped note, within a quarter of a cent', () => {
		const strays: number[] = [];
		for (const [i, pitch] of NOTES.slice(0, 6).entries()) {
			const settled = (pluck: Pluck) => pitchFall(renderPluck(pluck, RATE), RATE, pluck.pitch)!.at[1].pitch;
			const soft = made(pitch, 50 + i, { sharp: 0.5 });
			const hard = made(pitch, 60 + i, { sharp: 7 });
			const apart = centsBetween(settled(soft), settled(hard));
			strays.push(Math.abs(apart - centsBetween(truthAt(soft, 0.5), truthAt(hard, 0.5))));
			const stopped = made(2 * pitch, 70 + i, { inharmonicity: 2e-4, rings: 0.9 });
			const harmonic = made(2 * pitch, 80 + i, { rings: 1.2 });
			const between = centsBetween(settled(harmonic), settled(stopped));
			strays.push(Math.abs(between - centsBetween(truthAt(harmonic, 0.5), truthAt(stopped, 0.5))));
		}
		expect(Math.max(...strays)).toBeLessThan(0.25);
	});

	it('is not told where there is nothing to tell', () => {
		const random = createRandom(1);
		const noise = Float32Array.from({ length: 2 * RATE }, () => 0.05 * random.normal());
		expect(pitchFall(noise, RATE, 110)).toBeUndefined();
		expect(pitchFall(renderPluck(made(110, 1, { seconds: 0.3 }), RATE), RATE, 110)).toBeUndefined();
	});
});

describe('the listener', () => {
	const hear = (sounds: readonly Float32Array[], gap = 0.4) => {
		const random = createRandom(4);
		const quiet = Float32Array.from({ length: Math.round(gap * RATE) }, () => 2e-4 * random.normal());
		const listener = new PluckListener(RATE);
		const events = [quiet, ...sounds.flatMap((sound) => [sound, quiet])].flatMap((sound) => {
			const told = [];
			// In blocks as they come from a sound card.
			for (let at = 0; at < sound.length; at += 240) told.push(...listener.push(sound.subarray(at, at + 240)));
			return told;
		});
		return [...events, ...listener.end()];
	};

	it('reads each pluck once, with no octave taken for another, over the compass of guitars and lutes', () => {
		const plucks = NOTES.map((pitch, i) => made(pitch, 20 + i));
		const events = hear(plucks.map((pluck) => renderPluck(pluck, RATE)));
		const readings = events.flatMap((event) => (event.kind === 'reading' ? [event.reading] : []));
		expect(events.filter(({ kind }) => kind === 'refused')).toEqual([]);
		expect(readings).toHaveLength(NOTES.length);
		for (const [i, { pitch, fall }] of readings.entries()) {
			expect(Math.abs(centsBetween(truthAt(plucks[i], 0.5), pitch))).toBeLessThan(0.3);
			expect(fall!.at).toHaveLength(3);
		}
		// A live figure long before it is read.
		expect(events.findIndex(({ kind }) => kind === 'tone')).toBeLessThan(
			events.findIndex(({ kind }) => kind === 'reading')
		);
	});

	it('says why not: damped at once, talk, two strings', () => {
		const whys = (sounds: readonly Float32Array[]) =>
			hear(sounds).flatMap((event) => (event.kind === 'refused' ? [event.why] : []));
		expect(whys([renderPluck(made(110, 1), RATE).map((value, i) => (i < 0.4 * RATE ? value : 0))])).toEqual([
			'too short'
		]);
		const random = createRandom(9);
		expect(whys([Float32Array.from({ length: RATE }, () => 0.1 * random.normal())])).toEqual(['breath only']);
		const two = renderPluck(made(110, 2), RATE).map((value, i) => value + renderPluckAt(i));
		expect(whys([two])).toEqual(['two tones']);
	});
	const other = renderPluck(made(155.6, 3), RATE);
	const renderPluckAt = (i: number) => other[i] ?? 0;
});
