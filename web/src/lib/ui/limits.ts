import { grouped } from './format';

/** Characters that a note for the record may have. */
export const NOTE_LIMIT = 4000;

/** Characters that a line may have. */
export const LINE_LIMIT = 200;

/** By how much a text is too long, as a sentence; undefined when it fits. */
export function tooLong(text: string, limit: number): string | undefined {
	if (text.length <= limit) return undefined;
	return `This has ${grouped(text.length)} characters; ${grouped(limit)} fit. Shorten it, then save again.`;
}
