import { randomNormal } from 'd3-random';
import { mersenne } from 'pure-rand/generator/mersenne';

/** A seeded source of random numbers: the same seed gives the same series on every machine. */
export interface Random {
	/** Uniform in [0, 1). */
	uniform(): number;
	/** Normal with mean 0 and standard deviation 1. */
	normal(): number;
}

const WORDS = 2 ** 32;

/** Mersenne twister (Matsumoto & Nishimura 1998), and normals by the polar method (Marsaglia 1962). */
export function createRandom(seed: number): Random {
	const generator = mersenne(seed | 0);
	const uniform = () => (generator.next() >>> 0) / WORDS;
	return { uniform, normal: randomNormal.source(uniform)() };
}
