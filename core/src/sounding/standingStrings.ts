import { bisectLeft, mean } from 'd3-array';
import { partialHz, type StiffString } from '../strings/stiffString';
import { centsBetween } from '../units/pitch';
import { hz } from '../units/quantity';
import { movedBy } from '../strings/movedString';

/** A string of an instrument as it was read once. */
export interface ReadString {
	readonly note: number;
	/** First partial, in Hz. */
	readonly pitch: number;
}

/**
 * An instrument's strings as they stood, from those that were read: every string that was read of a note, and one where none was, as
 * far off as its nearest neighbours that were, in proportion.
 * @param strings as they are planned @returns undefined where nothing was read
 */
export function standingStrings(
	read: readonly ReadString[],
	strings: (note: number) => StiffString
): ((note: number) => readonly StiffString[]) | undefined {
	const offs = new Map<number, number[]>();
	for (const { note, pitch } of read) {
		const off = centsBetween(partialHz(strings(note), 1), hz(pitch));
		offs.set(note, [...(offs.get(note) ?? []), off]);
	}
	const known = [...offs].map(([note, each]) => ({ note, off: mean(each)! })).sort((a, b) => a.note - b.note);
	if (known.length === 0) return undefined;
	const notes = known.map(({ note }) => note);
	const between = (note: number) => {
		const i = bisectLeft(notes, note);
		const [below, above] = [known[Math.max(0, i - 1)], known[Math.min(i, known.length - 1)]];
		if (above.note === below.note) return above.off;
		const share = Math.min(1, Math.max(0, (note - below.note) / (above.note - below.note)));
		return below.off + share * (above.off - below.off);
	};
	return (note) => (offs.get(note) ?? [between(note)]).map((off) => movedBy(strings(note), off));
}
