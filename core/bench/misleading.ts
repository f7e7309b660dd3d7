import { struckKey, UPRIGHT, uprightString } from '../fixtures/upright';
import {
	createListener,
	createRandom,
	equalHz,
	hz,
	mainsSwitchedOn,
	renderMusic,
	renderSteadyTone,
	renderVoice,
	TELEPHONE,
	type Random
} from '../src/index';

const RATE = 48_000;
const SECONDS = 1.6;

const KINDS = [
	'wrong note',
	'chord',
	'noise',
	'spoken voice',
	'sung voice',
	'telephone',
	'mains switched on',
	'whistle',
	'music alone',
	'metronome',
	'music behind'
] as const;
type Kind = (typeof KINDS)[number];

/** A sound that must not be taken for something it is not. */
export interface Clip {
	readonly kind: Kind;
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

/** How many of each kind. */
const OF_EACH = 60;

/** Sounds that last, and are no strings. */
function lasting(kind: Kind, due: number, random: Random): Float32Array | undefined {
	const seed = Math.floor(1e6 * random.uniform());
	const off = 2 ** ((random.uniform() - 0.5) / 15);
	const pitch = off * equalHz(due, hz(440));
	const tone = { seconds: SECONDS, seed, level: 0.02 + 0.1 * random.uniform() };
	switch (kind) {
		case 'spoken voice':
		case 'sung voice': {
			const manner = kind === 'sung voice' ? 'sung' : 'spoken';
			return renderVoice({ pitch: off * equalHz(43 + (due % 24), hz(440)), manner, seconds: SECONDS, seed }, RATE);
		}
		case 'telephone':
			return renderSteadyTone({ ...TELEPHONE, ...tone, pitch: 150 * off }, RATE);
		case 'mains switched on':
			return renderSteadyTone({ ...mainsSwitchedOn(random.uniform() < 0.5 ? 50 : 60), ...tone }, RATE);
		case 'whistle':
			return renderSteadyTone({ ...tone, pitch: Math.max(pitch, 500), harmonics: [1, 0.08, 0.02], rise: 0.05 }, RATE);
		case 'music alone':
			return renderMusic(SECONDS, seed, RATE);
		default:
			return undefined;
	}
}

/** All kinds in turn, seeded. */
export function misleadingClips(seed = 4711): readonly Clip[] {
	const random = createRandom(seed);
	const clips: Clip[] = [];
	for (let i = 0; i < OF_EACH * KINDS.length; i++) {
		const due = between(random, 24, 105);
		const kind = KINDS[i % KINDS.length];
		const silence = room(random, 0.6);
		const joined = (sound: Float32Array) => {
			const whole = room(random, 0.6 + SECONDS + 0.3);
			sound.forEach((value, k) => (whole[silence.length + k] += value));
			return whole;
		};
		const other = lasting(kind, due, random);
		if (other) clips.push({ kind, due, may: undefined, sound: joined(other) });
		else if (kind === 'wrong note') {
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
		} else if (kind === 'metronome') {
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
export function misleadingFigures(seed?: number) {
	const clips = misleadingClips(seed);
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
