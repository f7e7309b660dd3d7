/** A seeded source of random numbers: the same seed gives the same series on every machine. */
export interface Random {
	/** Uniform in [0, 1). */
	uniform(): number;
	/** Normal with mean 0 and standard deviation 1. */
	normal(): number;
}

/** 32-bit state generator (mulberry32, public domain), with normals by the polar method (Marsaglia 1962). */
export function createRandom(seed: number): Random {
	let state = seed >>> 0;
	const uniform = () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let t = state;
		t = Math.imul(t ^ (t >>> 15), t | 1);
		t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
		return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
	};
	let spare: number | undefined;
	const normal = () => {
		if (spare !== undefined) {
			const kept = spare;
			spare = undefined;
			return kept;
		}
		for (;;) {
			const u = 2 * uniform() - 1;
			const v = 2 * uniform() - 1;
			const s = u * u + v * v;
			if (s > 0 && s < 1) {
				const scale = Math.sqrt((-2 * Math.log(s)) / s);
				spare = v * scale;
				return u * scale;
			}
		}
	};
	return { uniform, normal };
}
