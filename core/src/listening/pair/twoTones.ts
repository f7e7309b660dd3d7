import { resolveComponents } from '../closer/components';
import { SHARED_NOISE, type PartialEnvelope } from '../closer/envelope';
import { amplitudes, refine, turnErrors, type Tone } from '../closer/toneFit';
import { goesWith, type Band, type Expected, type Told } from './expected';

/** A second tone must better the likelihood by this. */
const WORTH = 20;
/** A tone weaker than this share of the stronger one is the room's. */
const LEAST_SHARE = 0.01;
/** One that is looked for where it should be is found in any noise: it has to be this share. */
const LEAST_LOOKED_FOR = 0.1;
/** A string's own beat: no wider than that share of its pitch (five cents), no shorter than so many seconds; where it is looked for, in cents. */
const OWN_BEAT = { most: 2.9e-3, seconds: 0.15, starts: [-3, -1.5, -0.6, 0.6, 1.5, 3], tried: 3 } as const;
/** Steps of the grid on which unresolved tones are weighed, to either side, in standard deviations. */
const GRID = { steps: 20, reach: 3.5 } as const;

const turnOf = ({ rate, about }: PartialEnvelope, frequency: number) => (2 * Math.PI * (frequency - about)) / rate;
const hzOf = ({ rate, about }: PartialEnvelope, turn: number) => about + (turn * rate) / (2 * Math.PI);
const lossOf = ({ rate }: PartialEnvelope, { decaySeconds }: Expected) => 1 / Math.max(0.02, decaySeconds) / rate;
/** A tone that the windows let through, and that does not grow. */
const isWithin = ({ turn, loss }: Tone) => loss > -0.02 && Math.abs(turn) < Math.PI / 2;
const size = ({ re, im }: Tone) => Math.hypot(re, im);
const logLikelihood = (envelope: PartialEnvelope, left: number) =>
	-(envelope.re.length / SHARED_NOISE) * Math.log(Math.max(left, 1e-300));

/** Two damped tones near where both laws have them, and nowhere else; undefined where they do not part there. */
export function twoTonesAt({ envelope, low, high }: Band): Told | undefined {
	const tone = (of: Expected): Tone => ({
		...{ turn: turnOf(envelope, of.frequency), loss: lossOf(envelope, of), re: 0, im: 0 }
	});
	const fit = refine(envelope, [tone(low), tone(high)]);
	const [l, h] = fit.tones;
	const errors = turnErrors(envelope, fit);
	const rate = hzOf(envelope, h.turn) - hzOf(envelope, l.turn);
	const error = (Math.hypot(errors[0], errors[1]) * envelope.rate) / (2 * Math.PI);
	const isFaint = Math.min(size(l), size(h)) < LEAST_LOOKED_FOR * Math.max(size(l), size(h));
	if (![l, h].every(isWithin) || !Number.isFinite(error) || isFaint) return undefined;
	return { rate, error, wide: rate > 0 ? 1 : 0, isResolved: true };
}

/** One string each: two damped tones, told apart, or weighed over all places where they may stand. */
export function byTwoTones(band: Band): Told {
	const { envelope, low, high } = band;
	const start = ({ frequency }: Expected, loss: number): Tone => ({
		...{ turn: turnOf(envelope, frequency), loss, re: 0, im: 0 }
	});
	const [lowLoss, highLoss] = [lossOf(envelope, low), lossOf(envelope, high)];
	const one = refine(envelope, [start(low.amplitude > high.amplitude ? low : high, Math.min(lowLoss, highLoss))]);
	const apart = Math.abs(high.frequency - low.frequency) > 1e-9 ? 0 : 1e-3;
	const starts = [
		[start(low, lowLoss), start({ ...high, frequency: high.frequency + apart }, highLoss)],
		[
			start({ ...low, frequency: high.frequency + apart }, lowLoss),
			start({ ...high, frequency: low.frequency }, highLoss)
		]
	];
	const generic = resolveComponents(envelope, 2)?.components;
	if (generic?.length === 2)
		starts.push(
			generic.map(({ frequency, decaySeconds }) => ({
				...{ turn: turnOf(envelope, frequency), loss: 1 / decaySeconds / envelope.rate, re: 0, im: 0 }
			}))
		);
	const two = starts
		.map((each) => refine(envelope, each))
		.reduce((best, each) => (each.left < best.left ? each : best));
	const [a, b] = [...two.tones].sort((x, y) => x.turn - y.turn);
	const gain = logLikelihood(envelope, two.left) - logLikelihood(envelope, one.left);
	const heard = Math.min(envelope.re.length, 3 / Math.max(1e-6, Math.min(a.loss, b.loss)));
	const sound = Math.min(size(a), size(b)) > LEAST_SHARE * Math.max(size(a), size(b)) && [a, b].every(isWithin);
	if (gain > WORTH && sound && b.turn - a.turn > Math.PI / heard) {
		const errors = turnErrors(envelope, { tones: [a, b], left: two.left });
		const [fa, fb] = [hzOf(envelope, a.turn), hzOf(envelope, b.turn)];
		const before = envelope.start * envelope.rate;
		const [la, lb] = [size(a) * Math.exp(a.loss * before), size(b) * Math.exp(b.loss * before)];
		const asWide = goesWith(low, fa, la) + goesWith(high, fb, lb);
		const asNarrow = goesWith(high, fa, la) + goesWith(low, fb, lb);
		const wide = 1 / (1 + Math.exp(asNarrow - asWide));
		const rate = fb - fa;
		return {
			rate: wide >= 0.5 ? rate : -rate,
			error: (Math.hypot(errors[0], errors[1]) * envelope.rate) / (2 * Math.PI),
			wide,
			isResolved: true
		};
	}
	return weighed(band, lowLoss, highLoss);
}

/**
 * A string that beats by itself shows as two lasting tones of its own beside the other note's: what one of the two stands off
 * where the string is heard, in Hz; 0 where there is none.
 */
export function ownBeat({ envelope, low, high }: Band): number {
	const toneAt = (frequency: number, string: Expected): Tone => ({
		...{ turn: turnOf(envelope, frequency), loss: lossOf(envelope, string), re: 0, im: 0 }
	});
	const starts = [low, high].flatMap((string) =>
		OWN_BEAT.starts.map((cents) => [
			...[low, high].map((each) => toneAt(each.frequency, each)),
			toneAt(string.frequency * 2 ** (cents / 1200), string)
		])
	);
	const best = starts
		.map((start) => ({ start, left: amplitudes(envelope, start) }))
		.sort((x, y) => x.left - y.left)
		.slice(0, OWN_BEAT.tried)
		.map(({ start }) => refine(envelope, start))
		.reduce((least, each) => (each.left < least.left ? each : least));
	const two = refine(envelope, starts[0].slice(0, 2));
	const lasting = best.tones.every((tone) => isWithin(tone) && tone.loss * envelope.rate * OWN_BEAT.seconds < 1);
	if (!lasting || logLikelihood(envelope, best.left) - logLikelihood(envelope, two.left) < WORTH) return 0;
	const [a, b, c] = [...best.tones].sort((x, y) => x.turn - y.turn);
	const [one, other] = b.turn - a.turn < c.turn - b.turn ? [a, b] : [b, c];
	const apart = hzOf(envelope, other.turn) - hzOf(envelope, one.turn);
	// Further apart they are no string's two ways to move.
	if (apart > OWN_BEAT.most * high.frequency) return 0;
	const [x, y] = [one, other].map((tone) => size(tone) ** 2 / Math.max(tone.loss, 1 / envelope.re.length));
	const share = Math.min(x, y) / (x + y);
	return apart * Math.sqrt(share * (1 - share));
}

/** Tones that were not told apart: every place where both may stand, by what is left over there and by what is expected. */
function weighed(band: Band, lowLoss: number, highLoss: number): Told {
	const { low, high } = band;
	const wide = grid(band, lowLoss, highLoss, low, high);
	// Once more where they were found: the first grid may be coarser than what the sound tells.
	const near = ({ at, sd }: Place, { error }: Expected) => ({ frequency: at, error: Math.min(error, 1.5 * sd + 0.02) });
	return grid(band, lowLoss, highLoss, near(wide.low, low), near(wide.high, high)).told;
}

/** Where a tone is thought to stand on a grid. */
interface Place {
	readonly at: number;
	readonly sd: number;
}
type About = Pick<Expected, 'frequency' | 'error'>;

function grid(
	{ envelope, low, high }: Band,
	lowLoss: number,
	highLoss: number,
	aboutLow: About,
	aboutHigh: About
): { readonly told: Told; readonly low: Place; readonly high: Place } {
	const { steps, reach } = GRID;
	const at: { readonly fl: number; readonly fh: number; readonly log: number }[] = [];
	for (let i = -steps; i <= steps; i++)
		for (let j = -steps; j <= steps; j++) {
			const fl = aboutLow.frequency + (reach * i * aboutLow.error) / steps;
			const fh = aboutHigh.frequency + (reach * j * aboutHigh.error) / steps;
			const tones = [
				{ turn: turnOf(envelope, fl), loss: lowLoss, re: 0, im: 0 },
				{ turn: turnOf(envelope, fh) + 1e-9, loss: highLoss, re: 0, im: 0 }
			];
			const left = amplitudes(envelope, tones);
			const log =
				logLikelihood(envelope, left) + goesWith(low, fl, size(tones[0])) + goesWith(high, fh, size(tones[1]));
			at.push({ fl, fh, log });
		}
	const most = Math.max(...at.map(({ log }) => log));
	const weights = at.map(({ log }) => Math.exp(log - most));
	const all = weights.reduce((sum, weight) => sum + weight, 0);
	const moments = (of: (each: (typeof at)[number]) => number): Place => {
		const mean = at.reduce((sum, each, i) => sum + weights[i] * of(each), 0) / all;
		const variance = at.reduce((sum, each, i) => sum + weights[i] * (of(each) - mean) ** 2, 0) / all;
		return { at: mean, sd: Math.sqrt(variance) };
	};
	const rate = moments(({ fl, fh }) => fh - fl);
	const wide = at.reduce((sum, { fl, fh }, i) => sum + (fh > fl ? weights[i] : 0), 0) / all;
	return {
		told: { rate: rate.at, error: rate.sd, wide, isResolved: false },
		low: moments(({ fl }) => fl),
		high: moments(({ fh }) => fh)
	};
}
