import { cents, hzAbove, stringFromFirstPartial, type GroupTarget } from '@fendrel/core';

/** A target as it is set so many cents above where it shall end, or below. */
export function aimedAbove(target: GroupTarget, above: number): GroupTarget {
	const pitch = hzAbove(target.pitch, cents(above));
	return {
		...target,
		...{ pitch, fromEqual: cents(target.fromEqual + above) },
		string: stringFromFirstPartial(pitch, target.string.inharmonicity)
	};
}
