import { noteName, readNote } from '@fendrel/core';
import type { Result } from '$lib/ui/result';

export interface Pair {
	readonly lower: number;
	readonly upper: number;
}

const HIGHEST_APART = 48;

/** Reads "F3 A3", "f3-a3", "Bb2, D3"; either order. */
export function parsePair(text: string, lowest: number, highest: number): Result<Pair> {
	const words = text
		.trim()
		.split(/[\s,;–]+|(?<=\d)-/)
		.filter((word) => word !== '');
	if (words.length !== 2) return { problem: 'Write two notes, such as F3 A3.' };
	const notes = words.map(readNote);
	const unread = notes.indexOf(undefined);
	if (unread >= 0) return { problem: `“${words[unread]}” is not a note. Write one such as F3, C#4 or Bb2.` };
	const [lower, upper] = (notes as number[]).sort((a, b) => a - b);
	const outside = [lower, upper].find((note) => note < lowest || note > highest);
	if (outside !== undefined)
		return {
			problem: `${noteName(outside)} lies outside this instrument, which goes from ${noteName(lowest)} to ${noteName(highest)}.`
		};
	if (lower === upper) return { problem: 'Both notes are the same.' };
	if (upper - lower > HIGHEST_APART) return { problem: 'The two notes lie more than four octaves apart.' };
	return { value: { lower, upper } };
}
