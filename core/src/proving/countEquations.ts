import { Matrix } from 'ml-matrix';
import { biasSense } from '../bearing/ear';
import { partialHz } from '../strings/stiffString';
import type { CountedBeats, CountOptions } from './counts';

/** On which side of pure each count lies: 1 wide, -1 narrow. */
export type Signed = readonly (1 | -1)[];

/** Counts as equations for the notes' deviations (all but the reference's) and the bias, which comes last. */
export class CountEquations {
	readonly notes: readonly number[];
	/** Place of each unknown note among the unknowns. */
	readonly place: ReadonlyMap<number, number>;
	readonly size: number;

	constructor(
		readonly counts: readonly CountedBeats[],
		readonly options: CountOptions
	) {
		const named = new Set(counts.flatMap(({ lower, upper }) => [lower, upper]));
		this.notes = [...named].sort((a, b) => a - b);
		const unknown = this.notes.filter((note) => note !== options.reference);
		this.place = new Map(unknown.map((note, i) => [note, i]));
		this.size = unknown.length + 1;
	}

	/** Beat and its slope by every unknown, at the given deviations. */
	linearised({ lower, upper, kind, isMeasured }: CountedBeats, sign: number, at: readonly number[]) {
		const partial = (note: number, n: number) => {
			const i = this.place.get(note);
			return partialHz(this.options.strings(note), n) * 2 ** ((i === undefined ? 0 : at[i]) / 1200);
		};
		const [low, high] = [partial(lower, kind.lowerPartial), partial(upper, kind.upperPartial)];
		const slope = new Array<number>(this.size).fill(0);
		const [i, j] = [this.place.get(lower), this.place.get(upper)];
		if (i !== undefined) slope[i] = (-low * Math.LN2) / 1200;
		if (j !== undefined) slope[j] = (high * Math.LN2) / 1200;
		const bias = isMeasured ? 0 : sign * Math.abs(biasSense(high - low));
		slope[this.size - 1] = bias;
		return { beat: high - low + bias * at[this.size - 1], slope };
	}

	signOf(i: number, signs: Signed): number {
		const { sense } = this.counts[i];
		return sense === 'wide' ? 1 : sense === 'narrow' ? -1 : signs[i];
	}

	/** Normal equations' matrix; a whisper of prior keeps what is not determined finite and visibly large. */
	information(signs: Signed, at: readonly number[], without: ReadonlySet<number>, bias = this.options.bias): Matrix {
		const matrix = Matrix.eye(this.size, this.size, 1e-6);
		matrix.set(this.size - 1, this.size - 1, 1 / Math.max(bias, 1e-6) ** 2);
		this.counts.forEach((count, i) => {
			if (without.has(i)) return;
			const { slope } = this.linearised(count, this.signOf(i, signs), at);
			for (let a = 0; a < this.size; a++)
				for (let b = 0; b < this.size; b++)
					if (slope[a] && slope[b]) matrix.set(a, b, matrix.get(a, b) + (slope[a] * slope[b]) / count.error ** 2);
		});
		return matrix;
	}

	/** The senses that the intended strings would have: where the search starts. */
	likeliest(): Signed {
		const none = new Array<number>(this.size).fill(0);
		return this.counts.map((count) => (this.linearised(count, 0, none).beat < 0 ? -1 : 1));
	}
}
