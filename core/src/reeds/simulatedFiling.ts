import { createRandom } from '../numeric/random';
import { adviseFiling, type Bite, type BiteRule } from './filing';

/** A reed whose stroke nobody knows, filed by advice until it stands. */
export interface FiledReed {
	readonly rounds: number;
	/** A bite went past the target by more than it may be off. */
	readonly isOver: boolean;
	readonly left: number;
}

interface Plate {
	readonly reeds: number;
	readonly seed: number;
	readonly rule: BiteRule;
	/** Cents off at first, and near enough. */
	readonly from: number;
	readonly within: number;
	/** What a stroke does lies between what is usual over this and what is usual times this. */
	readonly spread: number;
	/** Strokes differ by so much of themselves, readings by so many cents. */
	readonly noise: number;
	readonly reading: number;
}

export const SIMULATED_PLATE: Omit<Plate, 'rule'> = {
	...{ reeds: 10, seed: 1, from: 20, within: 1 },
	...{ spread: Math.SQRT2, noise: 0.15, reading: 0.1 }
};

const MOST_ROUNDS = 20;

/** Reeds from G3 upwards, filed one after the other as the advice says. */
export function filePlate({ reeds, seed, rule, from, within, spread, noise, reading }: Plate): FiledReed[] {
	const random = createRandom(seed);
	return Array.from({ length: reeds }, (_, i) => {
		const hertz = 196 * 2 ** ((3 * i) / reeds);
		const hidden = (hertz / 440) ** 0.6 * spread ** (2 * random.uniform() - 1);
		let off = (random.uniform() < 0.5 ? -1 : 1) * from;
		const bites: Bite[] = [];
		let [rounds, isOver] = [0, false];
		const read = () => off + reading * random.normal();
		let before = read();
		while (rounds < MOST_ROUNDS) {
			const advice = adviseFiling(before, within, bites, hertz, rule);
			if (advice.is === 'leave') break;
			rounds++;
			const moved = advice.strokes * hidden * (1 + noise * random.normal());
			const was = off;
			off += advice.end === 'tip' ? moved : -moved;
			isOver ||= off * was < 0 && Math.abs(off) > within;
			const after = read();
			bites.push({ end: advice.end, strokes: advice.strokes, before, after });
			before = after;
		}
		return { rounds, isOver, left: Math.abs(off) };
	});
}
