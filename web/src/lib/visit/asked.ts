import type { Cents, StringReading } from '@fendrel/core';
import { flatOrSharp } from '$lib/ui/format';

/** A strike whose key nobody can tell by its pitch alone: somebody is asked. */
export interface Asked {
	readonly reading: StringReading;
	/** The notes that it may have been, the likelier first. */
	readonly notes: readonly [number, number];
}

/** "Which key was it? A4 would be 60.0 cents flat, G♯4 40.0 cents sharp." */
export function askedWords(
	{ notes }: Asked,
	nameOf: (note: number) => string,
	offsetOf: (note: number) => Cents | undefined
): string {
	const [one, other] = notes.map((note) => {
		const off = offsetOf(note);
		return { name: nameOf(note), stands: off === undefined ? 'off the plan' : flatOrSharp(off) };
	});
	return `Which key was it? ${one.name} would be ${one.stands}, ${other.name} ${other.stands}.`;
}
