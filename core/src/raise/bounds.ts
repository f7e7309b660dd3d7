import { stringLoad, type StringData } from '../strings/tension';
import { hz } from '../units/quantity';
import type { Bound } from './overpull';

/** How far above its target a string is set at most, in cents, whatever is computed. */
export const USUAL_CAP = 30;
/** The same where the wire is old, rusty or kinked. */
export const OLD_WIRE_CAP = 15;

/** What a raise may ask of a string. */
export interface Limits {
	readonly cap: number;
	/** Wire that somebody has judged old, rusty or kinked. */
	readonly isOldWire: boolean;
	/** Share of its breaking load that a string may be brought to, 0 to 1. */
	readonly share: number;
}

/**
 * How far above its target a string may be set.
 * @param pitch its target, in Hz
 * @param string its wire and length, where they are known
 */
export function boundOf(limits: Limits, pitch: number, string?: StringData): Bound {
	const { cap, isOldWire, share } = limits;
	const rule: Bound = isOldWire && OLD_WIRE_CAP < cap ? { most: OLD_WIRE_CAP, by: 'wire' } : { most: cap, by: 'rule' };
	const load = string && stringLoad(string, hz(pitch)).breakingShare;
	if (load === undefined || load <= 0) return rule;
	// T grows by 2^(2 c / 1200): the cents at which it comes to the share.
	const most = Math.max(0, 600 * Math.log2(share / load));
	return most < rule.most ? { most, by: 'load' } : rule;
}
