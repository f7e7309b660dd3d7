import { decimated } from '../../numeric/decimate';
import { laterKey } from './laterKey';
import type { PairSound } from './ownPartials';
import type { KeptPair } from './pairKeeper';

/** Enough for all that lies below 4.2 kHz. */
const RATE = 12_000;
/** From here on the strings move by themselves. */
const SETTLED_SECONDS = 0.12;

/** What sounds once the last of the keys that were struck together has settled, at a rate that is enough for it. */
export function settledSound({ samples, sampleRate: rate, struckAt, lastStruckAt }: KeptPair): PairSound {
	const by = Math.max(1, Math.floor(rate / RATE));
	const sampleRate = rate / by;
	const whole = decimated(samples, by);
	const later = Math.max(lastStruckAt - struckAt, laterKey({ samples: whole, sampleRate }));
	return { samples: whole.subarray(Math.round((later + SETTLED_SECONDS) * sampleRate)), sampleRate };
}
