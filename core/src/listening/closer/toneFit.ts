import { addToBanded, bandedMatrix, factorBanded, solveFactored } from '../../numeric/banded';
import { solveComplex } from '../../numeric/complexSystem';
import { SHARED_NOISE, type PartialEnvelope } from './envelope';

const ROUNDS = 60;
/** Refined until a round betters what is left by less than this share: far below what the errors state. */
const SETTLED = 1e-8;

/** A damped tone within an envelope: by what it turns and falls from one window to the next, and where it began. */
export interface Tone {
	turn: number;
	loss: number;
	re: number;
	im: number;
}

export interface ToneFit {
	readonly tones: readonly Tone[];
	readonly left: number;
}

/**
 * Amplitudes and phases of tones whose turns and losses are given, in place. What two tones have in common is a
 * geometric series; only what the envelope has in common with each is summed.
 * @returns the power left over
 */
export function amplitudes(envelope: PartialEnvelope, tones: readonly Tone[]): number {
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

export function powerOf(envelope: PartialEnvelope): number {
	let power = powers.get(envelope);
	if (power === undefined) {
		power = envelope.re.reduce((sum, value, k) => sum + value * value + envelope.im[k] * envelope.im[k], 0);
		powers.set(envelope, power);
	}
	return power;
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

export function refine(envelope: PartialEnvelope, start: readonly Tone[], rounds = ROUNDS): ToneFit {
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
export function turnErrors(envelope: PartialEnvelope, { tones, left }: ToneFit): number[] {
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
