import { resolveComponents } from '../closer/components';
import { fitDampedPartial, type PartialEnvelope } from '../closer/envelope';
import { amplitudes, type Tone } from '../closer/toneFit';
import { goesWith, type Band, type Expected, type Told } from './expected';

/** So many tones are told apart in a band at most: three strings of each note seldom all show. They are looked for near one another. */
const MOST = 5;
/** A string lies no further from its note's law than that and what the law errs by, in cents. */
const STRINGS = 1.5;
/** Labellings that are so much worse than the best say nothing. */
const LEAST_WEIGHT = 1e-4;

const asTone = ({ rate, about }: PartialEnvelope, frequency: number, decaySeconds: number): Tone => ({
	...{ turn: (2 * Math.PI * (frequency - about)) / rate, loss: 1 / decaySeconds / rate, re: 0, im: 0 }
});

/** The envelope that some of the tones make by themselves. */
function ofTones(envelope: PartialEnvelope, tones: readonly Tone[]): PartialEnvelope {
	const re = new Float64Array(envelope.re.length);
	const im = new Float64Array(envelope.re.length);
	for (const { turn, loss, re: a, im: b } of tones)
		for (let k = 0; k < re.length; k++) {
			const fall = Math.exp(-loss * k);
			const [c, s] = [fall * Math.cos(turn * k), fall * Math.sin(turn * k)];
			re[k] += a * c - b * s;
			im[k] += a * s + b * c;
		}
	return { ...envelope, re, im };
}

/**
 * The tones of a band, each the lower note's or the upper note's: every way to share them out is weighed by what both notes make one
 * expect, and a note stands where its own tones together do.
 */
export function byManyTones(band: Band): Told | undefined {
	const { envelope, low, high } = band;
	const found = resolveComponents(envelope, MOST)?.components;
	if (!found || found.length < 2) return undefined;
	const tones = found.map(({ frequency, decaySeconds }) => asTone(envelope, frequency, decaySeconds));
	amplitudes(envelope, tones);
	const all = found.length;
	const energy = tones.map(({ re, im, loss }) => (re * re + im * im) / Math.max(loss, 1 / envelope.re.length));
	const most = Math.max(...energy);
	const near = (of: Expected, frequency: number) => {
		const sd = Math.hypot(of.error, (of.frequency * Math.LN2 * STRINGS) / 1200);
		return -Math.min(0.5 * ((frequency - of.frequency) / sd) ** 2, 8);
	};
	const ways: { readonly rate: number; readonly log: number; readonly error: number }[] = [];
	for (let way = 1; way < 2 ** all - 1; way++) {
		const ofHigh = (i: number) => (way & (1 << i)) !== 0;
		const parts = [false, true].map((isHigh) => {
			const own = tones.filter((_, i) => ofHigh(i) === isHigh);
			return fitDampedPartial(ofTones(envelope, own));
		});
		const [l, h] = parts;
		if (!l || !h) continue;
		const strings = found.reduce(
			(sum, { frequency }, i) => sum + Math.sqrt(energy[i] / most) * near(ofHigh(i) ? high : low, frequency),
			0
		);
		const log = strings + goesWith(low, l.frequency, l.amplitude) + goesWith(high, h.frequency, h.amplitude);
		ways.push({ rate: h.frequency - l.frequency, log, error: Math.hypot(l.error, h.error) });
	}
	if (ways.length === 0) return undefined;
	const best = Math.max(...ways.map(({ log }) => log));
	const weighed = ways
		.map((each) => ({ ...each, weight: Math.exp(each.log - best) }))
		.filter(({ weight }) => weight > LEAST_WEIGHT);
	const sum = weighed.reduce((total, { weight }) => total + weight, 0);
	const { rate, error } = weighed.find(({ log }) => log === best)!;
	const variance = weighed.reduce((total, each) => total + each.weight * (each.rate - rate) ** 2, 0) / sum;
	const wide = weighed.reduce((total, each) => total + (each.rate > 0 ? each.weight : 0), 0) / sum;
	return { rate, error: Math.hypot(error, Math.sqrt(variance)), wide, isResolved: true };
}
