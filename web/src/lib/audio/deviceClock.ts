import { cents, type Cents } from '@fendrel/core';
import { z } from 'zod';

/** What each microphone's clock is off by, kept in this browser: another one names its devices otherwise. */
const KEPT = 'fendrel.clocks';
const kept = z.record(z.string(), z.number().min(-50).max(50));

function clocks(): Record<string, number> {
	try {
		return kept.parse(JSON.parse(localStorage.getItem(KEPT) ?? '{}'));
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
