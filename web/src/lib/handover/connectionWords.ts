import type { State } from '$lib/device/connection.svelte';
import { counted, onTime } from '$lib/ui/format';

/** What is said while nothing waits and the server does not answer as it should. */
export function awayWords(state: State, since: Date | undefined): string {
	if (state === 'signed out') return 'You are signed out. Sign in again.';
	const who = state === 'no database' ? 'The database' : 'The server';
	return `${who} does not answer${since ? ` since ${onTime(since)}` : ''}. Go on: what you do is kept on this device.`;
}

/** A clock that is off by less says nothing that anybody would read. */
const CLOCK_MS = 60_000;
const SPANS: readonly (readonly [number, string])[] = [
	[365.25 * 86_400_000, 'year'],
	[86_400_000, 'day'],
	[3_600_000, 'hour'],
	[60_000, 'minute']
];

/** What a device's clock is off by, as a sentence: "This device's clock is 2 hours behind; ..." */
export function clockWords(serverAhead: number): string | undefined {
	const off = Math.abs(serverAhead);
	if (off < CLOCK_MS) return undefined;
	const [size, unit] = SPANS.find(([span]) => off >= 0.95 * span)!;
	return `This device’s clock is ${counted(Math.round(off / size), unit)} ${serverAhead > 0 ? 'behind' : 'ahead'}; times are taken from the server.`;
}
