import { fileNoteName } from '../units/note';

/** What stays with an instrument: how it was left, for whoever comes next. */
export interface CardFacts {
	readonly instrument: string;
	/** Days as YYYY-MM-DD. */
	readonly tuned: string;
	readonly next: string | undefined;
	/** Hz. */
	readonly a4: number;
	/** Degrees Celsius and per cent of relative humidity. */
	readonly temperature: number | undefined;
	readonly humidity: number | undefined;
	readonly temperament: string;
	/** Cents from equal temperament from C to B, A at 0. */
	readonly offsets: readonly number[];
	/** The tuning curve: cents from that, of every note from `lowest` upwards. */
	readonly lowest: number;
	readonly stretch: readonly number[];
	readonly cautions: readonly string[];
}

/** Straight lines between the notes of a card keep to the curve within so many cents. */
export const CARD_TOLERANCE = 0.25;

/**
 * Places of a curve between which straight lines stay within a tolerance (Douglas & Peucker 1973, "Algorithms for the
 * reduction of the number of points", by the distance up and down).
 */
export function knotsOf(curve: readonly number[], tolerance: number): readonly number[] {
	const between = (from: number, to: number): readonly number[] => {
		let [worst, at] = [tolerance, -1];
		for (let i = from + 1; i < to; i++) {
			const on = curve[from] + ((curve[to] - curve[from]) * (i - from)) / (to - from);
			const off = Math.abs(curve[i] - on);
			if (off > worst) [worst, at] = [off, i];
		}
		return at < 0 ? [to] : [...between(from, at), ...between(at, to)];
	};
	return curve.length < 2 ? curve.map((_, i) => i) : [0, ...between(0, curve.length - 1)];
}

/** At most one figure after the point, and no minus before a zero. */
const short = (value: number) => String(Number(value.toFixed(1)) + 0);
const line = (text: string) => text.replace(/\s+/g, ' ').trim();

/** The card in the open format that its code carries (docs/formats.md): lines of a word and what it says. */
export function cardText(facts: CardFacts): string {
	const { instrument, tuned, next, a4, temperature, humidity, temperament, offsets, lowest, stretch } = facts;
	const air = [
		...(temperature === undefined ? [] : [`${short(temperature)} C`]),
		...(humidity === undefined ? [] : [`${short(humidity)} %`])
	];
	return [
		'Fendrel card 1',
		`instrument ${line(instrument)}`,
		`tuned ${tuned}`,
		`A4 ${a4.toFixed(2)} Hz`,
		...(air.length ? [`air ${air.join(' ')}`] : []),
		`temperament ${line(temperament)}`,
		...(offsets.some((each) => short(each) !== '0') ? [`offsets ${offsets.map(short).join(' ')}`] : []),
		`curve ${knotsOf(stretch, CARD_TOLERANCE)
			.map((i) => `${fileNoteName(lowest + i)} ${short(stretch[i])}`)
			.join(' ')}`,
		...facts.cautions.map((caution) => `caution ${line(caution)}`),
		...(next ? [`next ${next}`] : [])
	].join('\n');
}
