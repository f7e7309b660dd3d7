import { normalTail } from '../../numeric/normalTail';
import { resolveComponents } from '../closer/components';
import { goesWith, type Band, type Told } from './expected';
import type { KnownNote } from './ownPartials';

/** A note's law is told by so many partials of its own. */
const LAWFUL = 4;
/** Tones that lie so many errors from what the laws expect were given to the wrong note. */
const MISLABELLED = 3;

/** Open unisons: every tone of the band is one of the lower note's, or of the upper's; a note stands at its loudest. */
export function byLines({ envelope, low, high }: Band, lower: KnownNote, upper: KnownNote): Told | undefined {
	const lines = resolveComponents(envelope, Math.min(5, lower.strings + upper.strings))?.components;
	if (!lines || lines.length < 2) return undefined;
	let best: { readonly log: number; readonly rate: number; readonly error: number } | undefined;
	let [wide, all] = [0, 0];
	const most: { log: number; rate: number }[] = [];
	for (let labels = 1; labels < 2 ** lines.length - 1; labels++) {
		const isHigh = (i: number) => (labels >> i) & 1;
		const log = lines.reduce(
			(sum, line, i) => sum + goesWith(isHigh(i) ? high : low, line.frequency, line.amplitude),
			0
		);
		const strongest = (of: number) => lines.find((_, i) => isHigh(i) === of)!;
		const [l, h] = [strongest(0), strongest(1)];
		const rate = h.frequency - l.frequency;
		most.push({ log, rate });
		if (!best || log > best.log) best = { log, rate, error: Math.hypot(l.error, h.error) };
	}
	for (const { log, rate } of most) {
		const weight = Math.exp(log - best!.log);
		all += weight;
		if (rate > 0) wide += weight;
	}
	return { rate: best!.rate, error: best!.error, wide: wide / all, isResolved: true };
}

/** Where the tones of a band are not told apart, both notes' own partials still tell what it should do. */
export function byLaw(
	lower: KnownNote,
	upper: KnownNote,
	{ rate, error }: { rate: number; error: number }
): Told | undefined {
	if (lower.own.length < LAWFUL || upper.own.length < LAWFUL) return undefined;
	return { rate, error, wide: normalTail(-rate / error), isResolved: false };
}

/** Of open unisons both are unsure in another way: the band by its many tones, the law by how far partials stray. */
export function together(
	own: Told,
	expected: { readonly rate: number; readonly error: number },
	law: Told | undefined
): Told {
	const apart = Math.abs(own.rate - expected.rate) / Math.hypot(own.error, expected.error);
	if (law && apart > MISLABELLED) return law;
	const [a, b] = [own.error ** -2, expected.error ** -2];
	const rate = (a * own.rate + b * expected.rate) / (a + b);
	const error = Math.max((a + b) ** -0.5, 0.5 * Math.abs(own.rate - expected.rate));
	return { ...own, rate, error, wide: normalTail(-rate / error) };
}
