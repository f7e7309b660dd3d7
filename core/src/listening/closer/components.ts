import { SHARED_NOISE, type PartialEnvelope } from './envelope';
import { amplitudes, powerOf, refine, turnErrors, type Tone, type ToneFit } from './toneFit';

/** One of the tones that make up a partial: a string of the unison, or half of a false beat. */
export interface Component {
	/** Hz, and its standard error. */
	readonly frequency: number;
	readonly error: number;
	readonly amplitude: number;
	readonly decaySeconds: number;
}

export interface ResolvedPartial {
	/** The strongest first; one when nothing else could be told apart. */
	readonly components: readonly Component[];
	/** Tones nearer to each other than this could not have been told apart in the time that the partial lasted, in Hz. */
	readonly resolution: number;
	/** One turn of two tones against each other in that time, in Hz. */
	readonly wholeTurn: number;
	/** Share of the power that is left over. */
	readonly left: number;
}

/** A further tone must better the likelihood by this (its four unknowns cost 4 by chance). */
const WORTH = 20;
/** A start that has gained so little after a few rounds will not become worth it. */
const HOPELESS = 6;
/** A tone weaker than this share of the strongest is the room's, not a string's. */
const LEAST_SHARE = 0.03;
/** Half a turn against each other is the least that shows two tones. */
const LEAST_TURNS = 0.5;
/** A partial is heard for so many of its own decay times. */
const HEARD_DECAYS = 3;
/** Enough to see which of several starts leads on. */
const FIRST_ROUNDS = 8;
/** Steps to either side at which a further tone is looked for, in parts of the resolution, and how far. */
const SEARCH = { step: 0.35, reach: 24 } as const;

/**
 * The tones within one partial, by least squares with one, two and three damped tones (Levenberg 1944); a further one is
 * believed when the likelihood says so.
 * @param most how many can be meant: three for a unison, two for a false beat
 */
export function resolveComponents(envelope: PartialEnvelope, most: number): ResolvedPartial | undefined {
	const { rate, about } = envelope;
	const count = envelope.re.length;
	const power = powerOf(envelope);
	if (!(power > 0)) return undefined;
	let best = refine(envelope, [startOf(envelope)]);
	const slowest = Math.max(1e-3 / count, Math.min(...best.tones.map(({ loss }) => loss)));
	const heard = Math.min(count, HEARD_DECAYS / slowest);
	const apart = (2 * Math.PI * LEAST_TURNS) / heard;
	for (let tones = 2; tones <= most; tones++) {
		const next = withOneMore(envelope, best, apart);
		const gain = gainOf(envelope, best.left, next.left);
		const strongest = Math.max(...next.tones.map(size));
		const sound = next.tones.every(
			(tone) => size(tone) > LEAST_SHARE * strongest && tone.loss > -0.05 && tone.loss < 1
		);
		const separate = next.tones.every((tone, i) =>
			next.tones.every((other, k) => k === i || Math.abs(tone.turn - other.turn) > apart)
		);
		if (!(gain > WORTH && sound && separate)) break;
		best = next;
	}
	const errors = turnErrors(envelope, best);
	return {
		components: best.tones
			.map((tone, i) => ({
				frequency: about + (tone.turn * rate) / (2 * Math.PI),
				error: (errors[i] * rate) / (2 * Math.PI),
				amplitude: size(tone),
				decaySeconds: 1 / (tone.loss * rate)
			}))
			.sort((a, b) => b.amplitude - a.amplitude),
		resolution: (LEAST_TURNS * rate) / heard,
		wholeTurn: rate / heard,
		left: best.left / power
	};
}

/** Twice the gain in log likelihood, for windows that share noise. */
function gainOf(envelope: PartialEnvelope, before: number, after: number): number {
	return (envelope.re.length / SHARED_NOISE) * Math.log(before / Math.max(after, 1e-15 * powerOf(envelope)));
}

const size = ({ re, im }: Tone) => Math.hypot(re, im);

/** A start for the first tone: its mean turn and loss. */
function startOf({ re, im }: PartialEnvelope): Tone {
	let [stepRe, stepIm, power] = [0, 0, 0];
	for (let k = 1; k < re.length; k++) {
		stepRe += re[k] * re[k - 1] + im[k] * im[k - 1];
		stepIm += im[k] * re[k - 1] - re[k] * im[k - 1];
		power += re[k - 1] ** 2 + im[k - 1] ** 2;
	}
	const loss = Math.min(Math.max(-Math.log(Math.hypot(stepRe, stepIm) / power), 1e-4), 0.5);
	return { turn: Math.atan2(stepIm, stepRe), loss, re: 0, im: 0 };
}

/** The best fit with a further tone near the others: looked for on either side, then refined together. */
function withOneMore(envelope: PartialEnvelope, { tones, left }: ToneFit, apart: number): ToneFit {
	const middle = tones.reduce((sum, tone) => sum + tone.turn * size(tone), 0) / tones.reduce((s, t) => s + size(t), 0);
	const loss = tones.reduce((least, tone) => Math.min(least, tone.loss), Infinity);
	const step = SEARCH.step * apart;
	const tried: { readonly tones: Tone[]; readonly left: number }[] = [];
	for (let k = -SEARCH.reach; k <= SEARCH.reach; k++) {
		const turn = middle + k * step;
		if (tones.length > 1 && tones.some((tone) => Math.abs(tone.turn - turn) < step / 2)) continue;
		const start = tones.map((tone) => ({ ...tone }));
		// One tone stood in the middle of two: it has to make room on the other side.
		if (tones.length === 1) start[0].turn = 2 * tones[0].turn - turn + 1e-3 * step;
		start.push({ turn, loss, re: 0, im: 0 });
		tried.push({ tones: start, left: amplitudes(envelope, start) });
		if (tones.length === 1) {
			const beside = [{ ...tones[0] }, { turn: turn + 1e-3 * step, loss, re: 0, im: 0 }];
			tried.push({ tones: beside, left: amplitudes(envelope, beside) });
		}
	}
	tried.sort((a, b) => a.left - b.left);
	const best = tried
		.slice(0, 3)
		.map(({ tones: start }) => refine(envelope, start, FIRST_ROUNDS))
		.reduce((best, each) => (each.left < best.left ? each : best));
	return gainOf(envelope, left, best.left) < HOPELESS ? best : refine(envelope, best.tones);
}
