import { noteClassName, noteOctave } from '@fendrel/core';
import type { Cue } from './cueSound';
import { fixed } from '$lib/ui/format';

/** "C sharp 4": a name as it is said. */
export function spokenNote(note: number): string {
	const name = noteClassName(note).replace('♯', ' sharp').replace('♭', ' flat');
	return `${name} ${noteOctave(note)}`;
}

/**
 * What is said once a string is silent.
 * @param cents from target; undefined where the figure does not count
 * @param next the note that is due afterwards, where that is another one
 */
export function spokenCue(note: number, cue: Cue, cents: number | undefined, next: number | undefined): string {
	const size = cents === undefined ? '' : fixed(Math.abs(cents), Math.abs(cents) < 3 ? 1 : 0);
	const said = {
		holds: `${spokenNote(note)} holds.`,
		raise: `Raise ${spokenNote(note)}${size && `, ${size} cents`}.`,
		lower: `Lower ${spokenNote(note)}${size && `, ${size} cents`}.`,
		none: ''
	}[cue];
	return [said, next === undefined || next === note ? '' : `Next: ${spokenNote(next)}.`].filter(Boolean).join(' ');
}
