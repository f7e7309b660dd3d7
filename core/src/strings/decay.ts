/**
 * Seconds in which the first partial of a piano string usually falls by 1/e: roughly 5 s at A0, 0.6 s at A4, 0.12 s at
 * C8. Strings of one piano differ from it by half and more.
 */
export function decaySeconds(note: number): number {
	return 5 * Math.exp(-0.043 * (note - 21));
}
