import { A4_RANGE } from '@fendrel/core';
import type { Result } from '$lib/ui/result';
import { typedNumber } from '$lib/ui/typed';

/** Reads an A4 as it is typed, comma or point. */
export function parseA4(text: string): Result<number> {
	const value = typedNumber(text);
	if (Number.isNaN(value)) return { problem: 'Write A4 in hertz, such as 441.5.' };
	if (value < A4_RANGE.lowest || value > A4_RANGE.highest)
		return { problem: `${value} Hz is outside ${A4_RANGE.lowest} to ${A4_RANGE.highest} Hz.` };
	return { value };
}
