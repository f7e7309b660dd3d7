import { pairBeat } from '../setting/pairMethod';
import { INTERVAL_DEVIATE } from './threshold';

/** Where unisons of the middle are listened to: the second partial of D4 to E4, in Hz. */
const HEARD_AT = 600;

/** Beats a second within which nine of ten unisons lie of a hand that leaves so much, root mean square. @param left in cents */
export const unisonRate = (left: number): number => pairBeat(INTERVAL_DEVIATE * left, HEARD_AT);
