import { cents, hz, hzAbove, stringFromFirstPartial, type GroupTarget } from '@fendrel/core';

/** A target as it is set so many cents above where it shall end, or below. */
export function aimedAbove(target: GroupTarget, above: number): GroupTarget {
	const pitch = hzAbove(target.pitch, cents(above));
	return {
		...target,
		...{ pitch, fromEqual: cents(target.fromEqual + above) },
		string: stringFromFirstPartial(pitch, target.string.inharmonicity)
	};
}

/** A key's target as a register of its own octave sounds it. */
export function octavesAbove(target: GroupTarget, octaves: number): GroupTarget {
	if (octaves === 0) return target;
	const pitch = hz(target.pitch * 2 ** octaves);
	return { ...target, pitch, string: stringFromFirstPartial(pitch, target.string.inharmonicity) };
}
