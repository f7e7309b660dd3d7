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
	/** Share of the power that is left over. */
	readonly left: number;
}

/** Windows share noise (see envelope): so many count as one. */
const SHARED_NOISE = 2.67;
/** A further tone must better the likelihood by this (its four unknowns cost 4 by chance). */
const WORTH = 20;
/** A tone weaker than this share of the strongest is the room's, not a string's. */
const LEAST_SHARE = 0.03;
/** Half a turn against each other is the least that shows two tones. */
const LEAST_TURNS = 0.5;
/** A partial is heard for so many of its own decay times. */
const HEARD_DECAYS = 3;
const ROUNDS = 60;
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
	const { re, im, rate, about } = envelope;
	const count = re.length;
	const power = re.reduce((sum, value, k) => sum + value * value + im[k] * im[k], 0);
	if (!(power > 0)) return undefined;
	let best = refine(envelope, [startOf(envelope)]);
	const slowest = Math.max(1e-3 / count, Math.min(...best.tones.map(({ loss }) => loss)));
	const heard = Math.min(count, HEARD_DECAYS / slowest);
	const apart = (2 * Math.PI * LEAST_TURNS) / heard;
	for (let tones = 2; tones <= most; tones++) {
		const next = withOneMore(envelope, best, apart);
		const gain = (count / SHARED_NOISE) * Math.log(best.left / Math.max(next.left, 1e-15 * power));
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
		left: best.left / power
	};
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
function withOneMore(envelope: PartialEnvelope, { tones }: Fit, apart: number): Fit {
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
	return tried
		.slice(0, 3)
		.map(({ tones: start }) => refine(envelope, start))
		.reduce((best, each) => (each.left < best.left ? each : best));
}

/** Amplitudes and phases of tones whose turns and losses are given, in place. @returns the power left over */
function amplitudes({ re, im }: PartialEnvelope, tones: readonly Tone[]): number {
	const unknowns = 2 * tones.length;
	const normal = bandedMatrix(unknowns, unknowns - 1);
	const right = new Float64Array(unknowns);
	const columns = tones.map(() => ({ c: 0, s: 0 }));
	let power = 0;
	for (let k = 0; k < re.length; k++) {
		power += re[k] ** 2 + im[k] ** 2;
		tones.forEach(({ turn, loss }, i) => {
			const fall = Math.exp(-loss * k);
			columns[i].c = fall * Math.cos(turn * k);
			columns[i].s = fall * Math.sin(turn * k);
		});
		columns.forEach(({ c, s }, i) => {
			right[2 * i] += re[k] * c + im[k] * s;
			right[2 * i + 1] += im[k] * c - re[k] * s;
			for (let j = 0; j <= i; j++) {
				const same = c * columns[j].c + s * columns[j].s;
				const across = c * columns[j].s - s * columns[j].c;
				addToBanded(normal, 2 * i, 2 * j, same);
				addToBanded(normal, 2 * i + 1, 2 * j + 1, same);
				if (i === j) continue;
				addToBanded(normal, 2 * i + 1, 2 * j, across);
				addToBanded(normal, 2 * i, 2 * j + 1, -across);
			}
		});
	}
	for (let i = 0; i < unknowns; i++) addToBanded(normal, i, i, 1e-12 * re.length);
	const explained = right.slice();
	try {
		factorBanded(normal);
	} catch {
		return power;
	}
	solveFactored(normal, right);
	tones.forEach((tone, i) => {
		tone.re = right[2 * i];
		tone.im = right[2 * i + 1];
	});
	return power - explained.reduce((sum, value, i) => sum + value * right[i], 0);
}

/** Normal equations of turns and losses, amplitudes and phases among the unknowns; four to a tone. */
function normalEquations({ re, im }: PartialEnvelope, tones: readonly Tone[]) {
	const unknowns = 4 * tones.length;
	const normal = bandedMatrix(unknowns, unknowns - 1);
	const pull = new Float64Array(unknowns);
	const [jr, ji] = [new Float64Array(unknowns), new Float64Array(unknowns)];
	for (let k = 0; k < re.length; k++) {
		let [er, ei] = [re[k], im[k]];
		tones.forEach(({ turn, loss, re: a, im: b }, i) => {
			const fall = Math.exp(-loss * k);
			const [c, s] = [fall * Math.cos(turn * k), fall * Math.sin(turn * k)];
			const [mr, mi] = [a * c - b * s, a * s + b * c];
			er -= mr;
			ei -= mi;
			[jr[4 * i], ji[4 * i]] = [c, s];
			[jr[4 * i + 1], ji[4 * i + 1]] = [-s, c];
			[jr[4 * i + 2], ji[4 * i + 2]] = [-k * mi, k * mr];
			[jr[4 * i + 3], ji[4 * i + 3]] = [-k * mr, -k * mi];
		});
		for (let i = 0; i < unknowns; i++) {
			pull[i] += jr[i] * er + ji[i] * ei;
			for (let j = 0; j <= i; j++) addToBanded(normal, i, j, jr[i] * jr[j] + ji[i] * ji[j]);
		}
	}
	return { normal, pull };
}

function refine(envelope: PartialEnvelope, start: readonly Tone[]): Fit {
	let tones = start.map((tone) => ({ ...tone }));
	let left = amplitudes(envelope, tones);
	let damping = 1e-3;
	for (let round = 0; round < ROUNDS; round++) {
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
			const settled = left - after < 1e-10 * left;
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
