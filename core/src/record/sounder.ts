/**
 * A sounder is what sounds and is judged by itself: a string of a note, a reed, a string stopped at a fret. Its name says
 * which group it belongs to (a note, a hole, a string; numbered in the family's own way) and which of the group it is:
 * "69/left". What members there are is the family's business.
 */
declare const sounder: unique symbol;
export type SounderId = string & { readonly [sounder]: true };

const NAME = /^(-?\d{1,4})\/([a-z0-9][a-z0-9-]{0,30})$/;

/** @throws RangeError when group and member make no sounder's name */
export function sounderId(group: number, member: string): SounderId {
	return asSounderId(`${group}/${member}`);
}

export function isSounderId(text: string): text is SounderId {
	return NAME.test(text);
}

/** @throws RangeError unless the text is a sounder's name */
export function asSounderId(text: string): SounderId {
	if (!isSounderId(text)) throw new RangeError(`asSounderId: "${text}" names no sounder`);
	return text;
}

export function groupOf(id: SounderId): number {
	return Number(id.slice(0, id.indexOf('/')));
}

export function memberOf(id: SounderId): string {
	return id.slice(id.indexOf('/') + 1);
}
