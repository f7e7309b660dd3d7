import type { AskedKeys, TestNote } from '@fendrel/core';

/** A test note with one of the interval's notes, as two keys to be heard where their partials meet. */
export function testPair(test: Pick<TestNote, 'note' | 'partial'>, note: number, partial: number): AskedKeys {
	return test.note < note
		? { lower: test.note, upper: note, meetings: [[test.partial, partial]] }
		: { lower: note, upper: test.note, meetings: [[partial, test.partial]] };
}
