/** Power of the sound, of its steps, and of their steps: ever more of what is high. */
const SHADES = 3;
/** What lies above is mostly the room's and the microphone's own noise. */
const HISS_HZ = 6000;

/** A string that rings is struck again when its sound rises by so much, in decibels, mean of the shades ... */
const RISE_DB = 1.5;
/** ... and by this in each of them: what a hammer adds reaches from low to high. */
const EACH_DB = 0.3;
/** The higher a string, the fewer its partials, and the deeper they beat together; the sooner it dies, the more a strike adds. */
const HIGHER = [
	{ fromHz: 1000, riseDb: 5 },
	{ fromHz: 220, riseDb: 2.5 }
] as const;
const UNKNOWN_RISE_DB = 3;
/** Levels are taken over so many periods of the string: within one it comes in pulses. At least, and at most, so many slices. */
const PERIODS = 2;
const WINDOW = { least: 2, most: 15 } as const;
/** Compared with the loudest of so many windows before. */
const BEFORE = 12;
const KEPT = 2 * WINDOW.most + BEFORE + 2;

/** Tells when a string that rings is struck again: its partials beat, so that no single level would show it. */
export class RestrikeFollower {
	/** Power of the last slices, the newest last, shade by shade. */
	private readonly powers = Array.from({ length: SHADES }, () => new Float64Array(KEPT));
	private readonly smoothing: number;
	private smooth = 0;
	private step = 0;
	/** What the last slice brought of each shade. */
	private readonly now = new Float64Array(SHADES);
	private window: number = WINDOW.most;
	private least = RISE_DB;

	constructor(
		sampleRate: number,
		private readonly sliceSeconds: number
	) {
		this.smoothing = Math.exp((-2 * Math.PI * HISS_HZ) / sampleRate);
	}

	/** Slices after a strike for which its own rise would be taken for the next one. */
	get settled(): number {
		return 2 * this.window + 2;
	}

	/** Told what rings, in Hz; undefined while it is not known. */
	rings(pitch: number | undefined): void {
		const slices = pitch === undefined ? WINDOW.most : Math.ceil(PERIODS / pitch / this.sliceSeconds);
		this.window = Math.min(Math.max(slices, WINDOW.least), WINDOW.most);
		this.least =
			pitch === undefined ? UNKNOWN_RISE_DB : (HIGHER.find(({ fromHz }) => pitch > fromHz)?.riseDb ?? RISE_DB);
	}

	/** Takes a slice, the first `count` of `samples`; whether the sound has risen as a strike makes it. */
	slice(samples: Float64Array, count: number): boolean {
		this.measure(samples, count);
		let [mean, isEach] = [0, true];
		for (let shade = 0; shade < SHADES; shade++) {
			const kept = this.powers[shade];
			kept.copyWithin(0, 1);
			kept[KEPT - 1] = this.now[shade];
			const rise = this.rise(kept);
			mean += rise / SHADES;
			if (rise < EACH_DB) isEach = false;
		}
		return isEach && mean > this.least;
	}

	private measure(samples: Float64Array, count: number): void {
		let [power, steps, bends] = [0, 0, 0];
		let { smooth, step } = this;
		const { smoothing, now } = this;
		for (let i = 0; i < count; i++) {
			const next = samples[i] + smoothing * (smooth - samples[i]);
			const nextStep = next - smooth;
			const bend = nextStep - step;
			smooth = next;
			step = nextStep;
			power += next * next;
			steps += nextStep * nextStep;
			bends += bend * bend;
		}
		this.smooth = smooth;
		this.step = step;
		now[0] = power;
		now[1] = steps;
		now[2] = bends;
	}

	/** Decibels by which the last window stands above the loudest of those before. */
	private rise(kept: Float64Array): number {
		const { window } = this;
		const now = sumUpTo(kept, KEPT, window);
		let most = 0;
		for (let back = window + 1; back < window + 1 + BEFORE; back++)
			most = Math.max(most, sumUpTo(kept, KEPT - back, window));
		return most > 0 ? 10 * Math.log10((now + 1e-30) / most) : 0;
	}
}

function sumUpTo(values: Float64Array, to: number, count: number): number {
	let sum = 0;
	for (let i = to - count; i < to; i++) sum += values[i];
	return sum;
}
