import { callNotesAs, USUAL_NOTE_STYLE, type NoteStyle } from '@fendrel/core';

/** How figures, notes and days are written for a workshop's people. What is stored and what goes out as a file never depends on it. */
export interface Writing extends NoteStyle {
	readonly decimal: 'point' | 'comma';
	readonly temperature: 'celsius' | 'fahrenheit';
	readonly length: 'mm' | 'inch';
	readonly weekStart: 'monday' | 'sunday';
}

export const USUAL_WRITING: Writing = {
	...USUAL_NOTE_STYLE,
	...{ decimal: 'point', temperature: 'celsius', length: 'mm', weekStart: 'monday' }
};

let source: () => Writing = () => USUAL_WRITING;

/** Says where it is looked up how to write: a page has one reader, a server one for each request. */
export function writeAs(how: () => Writing): void {
	source = how;
	callNotesAs(how);
}

/** The one reader that a browser has; on the server each request says its own. */
export function writeFor(how: () => Writing): void {
	if (typeof window !== 'undefined') writeAs(how);
}

export const writing = (): Writing => source();
