import { struckKey, UPRIGHT, uprightString } from '../fixtures/upright';
import { createListener, createRandom, equalHz, hz, type Random } from '../src/index';

const RATE = 48_000;
const SECONDS = 1.6;

/** A sound that must not be taken for something it is not. */
export interface Clip {
	readonly kind: 'wrong note' | 'chord' | 'noise' | 'voice' | 'metronome' | 'music behind';
	readonly due: number;
	readonly sound: Float32Array;
	/** The one note that a reading may name; none when nothing should be read. */
	readonly may: number | undefined;
}

const strike = (note: number, random: Random, off = 0, strength = 0.8) =>
	struckKey(note, {
		strings: [uprightString(note, off)],
		seconds: SECONDS,
		strength,
		seed: Math.floor(1e6 * random.uniform())
	});
const between = (random: Random, low: number, high: number) => low + Math.floor((high - low + 1) * random.uniform());
function mixed(...sounds: readonly Float32Array[]): Float32Array {
	const sum = new Float32Array(Math.max(...sounds.map(({ length }) => length)));
	for (const sound of sounds) sound.forEach((value, i) => (sum[i] += value));
	const most = sum.reduce((top, value) => Math.max(top, Math.abs(value)), 0);
	return most > 0.9 ? sum.map((value) => (0.9 * value) / most) : sum;
}
const room = (random: Random, seconds: number, level = 2e-4) =>
	new Float32Array(Math.round(seconds * RATE)).map(() => level * random.normal());

/** A vowel: a glottal pulse train that wanders, through three formants. */
function voice(random: Random): Float32Array {
	const sound = new Float32Array(SECONDS * RATE);
	const pitch = 90 + 160 * random.uniform();
	const formants = [
		[300 + 500 * random.uniform(), 80],
		[900 + 1300 * random.uniform(), 110],
		[2300 + 600 * random.uniform(), 160]
	];
	const states = formants.map(() => [0, 0]);
	let phase = 0;
	const [wobble, slope] = [4 + 3 * random.uniform(), (random.uniform() - 0.5) * 0.3];
	for (let i = 0; i < sound.length; i++) {
		const t = i / RATE;
		const f = pitch * (1 + 0.02 * Math.sin(2 * Math.PI * wobble * t) + slope * t);
		phase += f / RATE;
		const pulse = phase >= 1 ? 1 : 0;
		if (pulse) phase -= 1;
		let value = 0;
		formants.forEach(([centre, width], k) => {
			const r = Math.exp((-Math.PI * width) / RATE);
			const [y1, y2] = states[k];
			const y = pulse + 2 * r * Math.cos((2 * Math.PI * centre) / RATE) * y1 - r * r * y2;
			states[k] = [y, y1];
			value += y / (k + 1);
		});
		sound[i] = value * Math.min(1, t / 0.03) * (0.6 + 0.4 * Math.sin(2 * Math.PI * 3 * t));
	}
	return mixed(sound.map((value) => 0.02 * value));
}

/** Two hundred of them, seeded. */
export function adversarialClips(seed = 4711): readonly Clip[] {
	const random = createRandom(seed);
	const clips: Clip[] = [];
	for (let i = 0; i < 200; i++) {
		const due = between(random, 24, 105);
		const kind = (['wrong note', 'chord', 'noise', 'voice', 'metronome', 'music behind'] as const)[i % 6];
		const silence = room(random, 0.6);
		const joined = (sound: Float32Array) => {
			const whole = room(random, 0.6 + SECONDS + 0.3);
			sound.forEach((value, k) => (whole[silence.length + k] += value));
			return whole;
		};
		if (kind === 'wrong note') {
			const struck = Math.min(Math.max(due + [-12, -7, -2, -1, 1, 2, 7, 12][between(random, 0, 7)], 21), 108);
			clips.push({ kind, due, may: struck, sound: joined(strike(struck, random, 10 * random.normal())) });
		} else if (kind === 'chord') {
			const low = between(random, 40, 88);
			const steps = [[4], [3], [7], [5], [4, 7], [3, 8], [9], [1], [2], [6]][between(random, 0, 9)];
			const notes = [low, ...steps.map((step) => low + step)];
			clips.push({
				kind,
				due: low,
				may: undefined,
				sound: joined(mixed(...notes.map((each) => strike(each, random, 3 * random.normal()))))
			});
		} else if (kind === 'noise') {
			const burst = room(random, SECONDS, 0.1).map(
				(value, k) => value * Math.exp(-k / (RATE * (0.05 + 0.5 * random.uniform())))
			);
			clips.push({ kind, due, may: undefined, sound: joined(burst) });
		} else if (kind === 'voice') clips.push({ kind, due, may: undefined, sound: joined(voice(random)) });
		else if (kind === 'metronome') {
			const click = new Float32Array(SECONDS * RATE);
			const pitch = 800 + 1800 * random.uniform();
			for (let start = 0; start < click.length; start += 0.5 * RATE)
				for (let k = 0; k < 0.03 * RATE && start + k < click.length; k++)
					click[start + k] = 0.5 * Math.sin((2 * Math.PI * pitch * k) / RATE) * Math.exp(-k / (0.006 * RATE));
			clips.push({ kind, due, may: undefined, sound: joined(click) });
		} else {
			// The right key, with somebody playing behind it, three times as soft.
			const others = [between(random, 45, 60), between(random, 61, 75)].map((each) => strike(each, random, 8));
			clips.push({
				kind,
				due,
				may: due,
				sound: joined(mixed(strike(due, random, 5), ...others.map((each) => each.map((value) => 0.3 * value))))
			});
		}
	}
	return clips;
}

/** What the listener makes of them: readings of a note that was not struck alone, by kind. */
export function adversarialFigures(seed?: number) {
	const clips = adversarialClips(seed);
	const wrong: string[] = [];
	const counts = new Map<string, { all: number; wrong: number; read: number }>();
	for (const { kind, due, may, sound } of clips) {
		const listener = createListener({ sampleRate: RATE, strings: UPRIGHT });
		listener.expect({ note: due, pitch: equalHz(due, hz(440)) });
		const readings = listener.push(sound).flatMap((event) => (event.kind === 'reading' ? [event.reading.note] : []));
		const count = counts.get(kind) ?? { all: 0, wrong: 0, read: 0 };
		count.all++;
		if (readings.length) count.read++;
		if (readings.some((note) => note !== may)) {
			count.wrong++;
			wrong.push(`${kind}: due ${due}, ${may ?? 'nothing'} right, read ${readings.join(' ')}`);
		}
		counts.set(kind, count);
	}
	return { clips: clips.length, wrong, counts: [...counts].map(([kind, count]) => ({ kind, ...count })) };
}
