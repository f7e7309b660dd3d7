import { noteName, type MeasuredTread, type ProofJob } from '@fendrel/core';
import { inversionWords } from '$lib/pairs/inversionWords';
import { counted, fixed, isNoughtAt, noteRuns } from '$lib/ui/format';
import type { Proved } from './proved';

/** One sentence on how it stands. */
export function proofVerdict({ measured, inversions, jobs }: Proved, tolerance: number): string {
	if (measured.notes.length === 0) return 'Nothing to prove yet: strike two keys, or set notes first.';
	const [first] = inversions;
	const notes = new Set(inversions.map(({ note }) => note));
	if (first) {
		const more = notes.size > 1 ? ` ${counted(notes.size - 1, 'more note')} to look at.` : '';
		return `${inversionWords(first)}${more}`;
	}
	if (jobs.length) return `No step goes the wrong way. ${counted(jobs.length, 'thing')} left to mend.`;
	return tolerance > 0
		? `It stands: no step goes the wrong way, and no note is off by more than ${counted(tolerance, 'cent')}.`
		: 'It stands: no step goes the wrong way.';
}

/** "E4 up 1.4", "F♯5 unison, 1.1 apart", "D6 does not hold, down 1.2". */
export function jobWords({ note, kind, cents }: ProofJob): string {
	const size = fixed(Math.abs(cents), 1);
	if (kind === 'unison') return `${noteName(note)} unison, ${size} apart`;
	if (kind === 'hold') return `${noteName(note)} does not hold, ${cents < 0 ? 'down' : 'up'} ${size}`;
	return `${noteName(note)} ${cents > 0 ? 'up' : 'down'} ${size}`;
}

/** "1.2 cents lower than it was set", "where it was set". */
export function driftWords(drift: number): string {
	if (isNoughtAt(drift, 1)) return 'It stands where it was set.';
	return `It stands ${fixed(Math.abs(drift), 1)} cents ${drift < 0 ? 'lower' : 'higher'} than it was set.`;
}

/** What a second round still asks for. */
export function roundWords(left: readonly number[], all: number): string {
	if (all === 0) return '';
	if (left.length === 0) return `Struck again: all ${counted(all, 'note')} of the second round.`;
	return `Second round: strike ${noteRuns(left, noteName)} once more, each alone.`;
}

/** The interval below and above on the same staircase, as they stand. */
export function neighbours(
	treads: readonly MeasuredTread[],
	lower: number
): readonly { readonly tread: MeasuredTread; readonly is: 'below' | 'above' }[] {
	return ([-1, 1] as const).flatMap((by) => {
		const tread = treads.find((each) => each.lower === lower + by);
		return tread ? [{ tread, is: by < 0 ? ('below' as const) : ('above' as const) }] : [];
	});
}
