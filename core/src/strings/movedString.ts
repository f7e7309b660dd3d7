import { hz } from '../units/quantity';
import { flexiblePitchOf, partialHz, type StiffString } from './stiffString';

/** The same string, so many cents away. */
export function movedBy(string: StiffString, cents: number): StiffString {
	const { inharmonicity } = string;
	return {
		flexiblePitch: hz(flexiblePitchOf(partialHz(string, 1) * 2 ** (cents / 1200), inharmonicity)),
		inharmonicity
	};
}
