import { addToBanded, bandedMatrix, factorBanded, solveFactored } from '../numeric/banded';
import type { PartialEnvelope } from './envelope';

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

/** Windows share noise (see envelope): so many count as one. */
const SHARED_NOISE = 2.67;
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
const ROUNDS = 60;
/** Enough to see which of several starts leads on. */
const FIRST_ROUNDS = 8;
/** Refined until a round betters what is left by less than this share: far below what the errors state. */
const SETTLED = 1e-8;
/** Steps to either side at which a further tone is looked for, in parts of the resolution, and how far. */
const SEARCH = { step: 0.35, reach: 24 } as const;

interface Tone {
	turn: number;
	loss: number;
	re: number;
	im: number;
}

interface Fit {
	readonly tones: readonly Tone[];
	readonly left: number;
}

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
function withOneMore(envelope: PartialEnvelope, { tones, left }: Fit, apart: number): Fit {
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

/**
 * Amplitudes and phases of tones whose turns and losses are given, in place. What two tones have in common is a
 * geometric series; only what the envelope has in common with each is summed.
 * @returns the power left over
 */
function amplitudes(envelope: PartialEnvelope, tones: readonly Tone[]): number {
	const { re, im } = envelope;
	const count = re.length;
	const n = tones.length;
	const gram = new Float64Array(2 * n * n);
	const right = new Float64Array(2 * n);
	tones.forEach(({ turn, loss }, i) => {
		const fall = Math.exp(-loss);
		const [dc, ds] = [fall * Math.cos(turn), fall * Math.sin(turn)];
		let [c, s, sumRe, sumIm] = [1, 0, 0, 0];
		for (let k = 0; k < count; k++) {
			sumRe += re[k] * c + im[k] * s;
			sumIm += im[k] * c - re[k] * s;
			const next = c * dc - s * ds;
			s = s * dc + c * ds;
			c = next;
		}
		right[2 * i] = sumRe;
		right[2 * i + 1] = sumIm;
		tones.forEach((other, j) => {
			const [sumOfRe, sumOfIm] = geometric(loss + other.loss, other.turn - turn, count);
			gram[2 * (n * i + j)] = sumOfRe + (i === j ? 1e-12 * count : 0);
			gram[2 * (n * i + j) + 1] = sumOfIm;
		});
	});
	const power = powerOf(envelope);
	const explained = right.slice();
	if (!solveComplex(gram, right, n)) return power;
	let left = power;
	tones.forEach((tone, i) => {
		tone.re = right[2 * i];
		tone.im = right[2 * i + 1];
		left -= explained[2 * i] * tone.re + explained[2 * i + 1] * tone.im;
	});
	return Math.max(left, 0);
}

/** Sum of exp((-loss + i turn) k) over k from 0 to count - 1. */
function geometric(loss: number, turn: number, count: number): [number, number] {
	const fall = Math.exp(-loss);
	const [downRe, downIm] = [1 - fall * Math.cos(turn), -fall * Math.sin(turn)];
	const size = downRe * downRe + downIm * downIm;
	if (size < 1e-18) return [count, 0];
	const last = Math.exp(-loss * count);
	const [upRe, upIm] = [1 - last * Math.cos(turn * count), -last * Math.sin(turn * count)];
	return [(upRe * downRe + upIm * downIm) / size, (upIm * downRe - upRe * downIm) / size];
}

const powers = new WeakMap<PartialEnvelope, number>();

function powerOf(envelope: PartialEnvelope): number {
	let power = powers.get(envelope);
	if (power === undefined) {
		power = envelope.re.reduce((sum, value, k) => sum + value * value + envelope.im[k] * envelope.im[k], 0);
		powers.set(envelope, power);
	}
	return power;
}

/** Solves a small complex system in place (real and imaginary in turn) without pivoting: it is positive definite. */
function solveComplex(matrix: Float64Array, right: Float64Array, n: number): boolean {
	const at = (i: number, j: number) => 2 * (n * i + j);
	for (let i = 0; i < n; i++) {
		const [pr, pi] = [matrix[at(i, i)], matrix[at(i, i) + 1]];
		const size = pr * pr + pi * pi;
		if (!(size > 0)) return false;
		for (let row = 0; row < n; row++) {
			if (row === i) continue;
			const [mr, mi] = [matrix[at(row, i)], matrix[at(row, i) + 1]];
			const [fr, fi] = [(mr * pr + mi * pi) / size, (mi * pr - mr * pi) / size];
			for (let j = i; j < n; j++) {
				const [xr, xi] = [matrix[at(i, j)], matrix[at(i, j) + 1]];
				matrix[at(row, j)] -= fr * xr - fi * xi;
				matrix[at(row, j) + 1] -= fr * xi + fi * xr;
			}
			const [xr, xi] = [right[2 * i], right[2 * i + 1]];
			right[2 * row] -= fr * xr - fi * xi;
			right[2 * row + 1] -= fr * xi + fi * xr;
		}
	}
	for (let i = 0; i < n; i++) {
		const [pr, pi] = [matrix[at(i, i)], matrix[at(i, i) + 1]];
		const size = pr * pr + pi * pi;
		const [xr, xi] = [right[2 * i], right[2 * i + 1]];
		right[2 * i] = (xr * pr + xi * pi) / size;
		right[2 * i + 1] = (xi * pr - xr * pi) / size;
	}
	return true;
}

/** Normal equations of turns and losses, amplitudes and phases among the unknowns; four to a tone. */
function normalEquations({ re, im }: PartialEnvelope, tones: readonly Tone[]) {
	const unknowns = 4 * tones.length;
	const pull = new Float64Array(unknowns);
	const sums = new Float64Array(unknowns * unknowns);
	const [jr, ji] = [new Float64Array(unknowns), new Float64Array(unknowns)];
	// Rotor of each tone, and by what it turns and falls from one window to the next.
	const rotors = tones.flatMap(() => [1, 0]);
	const steps = tones.flatMap(({ turn, loss }) => [Math.exp(-loss) * Math.cos(turn), Math.exp(-loss) * Math.sin(turn)]);
	for (let k = 0; k < re.length; k++) {
		let er = re[k];
		let ei = im[k];
		for (let i = 0; i < tones.length; i++) {
			const { re: a, im: b } = tones[i];
			const c = rotors[2 * i];
			const s = rotors[2 * i + 1];
			const mr = a * c - b * s;
			const mi = a * s + b * c;
			er -= mr;
			ei -= mi;
			jr[4 * i] = c;
			ji[4 * i] = s;
			jr[4 * i + 1] = -s;
			ji[4 * i + 1] = c;
			jr[4 * i + 2] = -k * mi;
			ji[4 * i + 2] = k * mr;
			jr[4 * i + 3] = -k * mr;
			ji[4 * i + 3] = -k * mi;
			rotors[2 * i] = c * steps[2 * i] - s * steps[2 * i + 1];
			rotors[2 * i + 1] = s * steps[2 * i] + c * steps[2 * i + 1];
		}
		for (let i = 0; i < unknowns; i++) {
			pull[i] += jr[i] * er + ji[i] * ei;
			for (let j = 0; j <= i; j++) sums[i * unknowns + j] += jr[i] * jr[j] + ji[i] * ji[j];
		}
	}
	const normal = bandedMatrix(unknowns, unknowns - 1);
	for (let i = 0; i < unknowns; i++) for (let j = 0; j <= i; j++) addToBanded(normal, i, j, sums[i * unknowns + j]);
	return { normal, pull };
}

function refine(envelope: PartialEnvelope, start: readonly Tone[], rounds = ROUNDS): Fit {
	let tones = start.map((tone) => ({ ...tone }));
	let left = amplitudes(envelope, tones);
	let damping = 1e-3;
	for (let round = 0; round < rounds; round++) {
		const { normal, pull } = normalEquations(envelope, tones);
		const unknowns = pull.length;
		for (let i = 0; i < unknowns; i++)
			addToBanded(normal, i, i, damping * normal.entries[i * unknowns + unknowns - 1] + 1e-300);
		try {
			factorBanded(normal);
		} catch {
			break;
		}
		solveFactored(normal, pull);
		const moved = tones.map((tone, i) => ({
			...tone,
			turn: tone.turn + pull[4 * i + 2],
			loss: tone.loss + pull[4 * i + 3]
		}));
		const after = amplitudes(envelope, moved);
		if (after < left) {
			const settled = left - after < SETTLED * left;
			[tones, left] = [moved, after];
			damping = Math.max(1e-9, damping / 4);
			if (settled) break;
		} else {
			damping *= 6;
			if (damping > 1e6) break;
		}
	}
	return { tones, left };
}

/** Standard errors of the turns, from what is left over. */
function turnErrors(envelope: PartialEnvelope, { tones, left }: Fit): number[] {
	const { normal, pull } = normalEquations(envelope, tones);
	const variance = (SHARED_NOISE * left) / Math.max(1, 2 * envelope.re.length - pull.length);
	try {
		factorBanded(normal);
	} catch {
		return tones.map(() => Infinity);
	}
	return tones.map((_, i) => {
		const unit = new Float64Array(pull.length);
		unit[4 * i + 2] = 1;
		solveFactored(normal, unit);
		return Math.sqrt(variance * unit[4 * i + 2]);
	});
}
