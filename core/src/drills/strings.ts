import type { IntervalKind } from '../intervals/intervalKinds';
import { flexiblePitchOf, partialHz, type StiffString } from '../strings/stiffString';
import { hz } from '../units/quantity';

/** The same string, so many cents away. */
export function movedBy(string: StiffString, cents: number): StiffString {
	const { inharmonicity } = string;
	return {
		flexiblePitch: hz(flexiblePitchOf(partialHz(string, 1) * 2 ** (cents / 1200), inharmonicity)),
		inharmonicity
	};
}

/** The upper string of an interval that beats at so much a second, wide. */
export function upperFor(lower: StiffString, b: number, kind: IntervalKind, rate: number): StiffString {
	return {
		flexiblePitch: hz(flexiblePitchOf(partialHz(lower, kind.lowerPartial) + rate, b, kind.upperPartial)),
		inharmonicity: b
	};
}
