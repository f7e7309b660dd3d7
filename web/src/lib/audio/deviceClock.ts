import { cents, type Cents } from '@fendrel/core';

/** What each microphone's clock is off by, kept in this browser: another one names its devices otherwise. */
const KEPT = 'fendrel.clocks';
/** No clock is off by so many cents. */
const MOST = 50;

function clocks(): Record<string, number> {
	try {
		const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '{}');
		// Another version, or a person, may have written there.
		const sound = Object.entries(kept ?? {}).filter(([, off]) => typeof off === 'number' && Math.abs(off) <= MOST);
		return Object.fromEntries(sound);
	} catch {
		return {};
	}
}

/** Cents by which this device hears a known tone sharp; 0 while nobody has checked it. */
export function clockOffset(device: string): Cents {
	return cents(clocks()[device] ?? 0);
}

/** @param offset 0 forgets it */
export function keepClockOffset(device: string, offset: number): void {
	const { [device]: _, ...others } = clocks();
	localStorage.setItem(KEPT, JSON.stringify(offset === 0 ? others : { ...others, [device]: offset }));
}
