import { typedNoteName, readNote, type NoteRun } from '@fendrel/core';
import type { Result } from '$lib/ui/result';

/** "F3 to F4, F#4 to C8, E3 to A0": runs as they are typed, upwards or downwards; a single note is a run too. */
export function readRuns(text: string): Result<readonly NoteRun[]> {
	const runs: NoteRun[] = [];
	for (const part of text.split(/[,;\n]/).map((each) => each.trim())) {
		if (!part) continue;
		const ends = part.split(/\s*(?:to|[-–])\s*/i).map((name) => readNote(name));
		const [first, last] = ends.length === 1 ? [ends[0], ends[0]] : ends;
		if (ends.length > 2 || first === undefined || last === undefined)
			return { problem: `“${part}” is no run of notes. Write F3 to F4, then the next run after a comma.` };
		runs.push([first, last]);
	}
	return runs.length ? { value: runs } : { problem: 'Name the runs in your order: F3 to F4, F#4 to C8, E3 to A0.' };
}

export function writtenRuns(runs: readonly NoteRun[]): string {
	return runs
		.map(([first, last]) =>
			first === last ? typedNoteName(first) : `${typedNoteName(first)} to ${typedNoteName(last)}`
		)
		.join(', ');
}
