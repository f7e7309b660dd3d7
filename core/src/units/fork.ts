import { hz, type Hz } from './quantity';

/**
 * A steel fork falls as it warms: by one part in 8943 a degree (R. Koenig, 1880, Annalen der Physik 245, 394: forks of 512 to 4096
 * vibrations), a fifth of a cent.
 */
const FALLS = 1 / 8943;

/** What a steel fork gives at another temperature, in degrees Celsius. */
export function forkAt(measured: Hz, then: number, now: number): Hz {
	return hz(measured * (1 - FALLS * (now - then)));
}
