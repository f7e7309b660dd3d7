import { arc } from 'd3-shape';

/** One fifth of the circle, from C-G round to F-C. */
export interface RingFifth {
	/** Cents narrower than pure; negative is wide. */
	readonly narrow: number;
	readonly text: string;
}

/** Pixels for each cent of tempering; a wolf is cut off and marked. */
const PER_CENT = 4.4;
const LONGEST = { narrow: 12, wide: 8 };
const HALF_WIDTH = 0.16;
/** Pixels that names and figures need outside the ring. */
const NAMES = 58;

/** Twelve fifths as bars on a circle: inwards where narrow, outwards where wide, and the notes between them. */
export function ringOfFifths(fifths: readonly RingFifth[], size: number) {
	const middle = size / 2;
	const radius = Math.min(size * 0.365, size / 2 - NAMES);
	const at = (angle: number, distance: number) => ({
		x: middle + distance * Math.sin(angle),
		y: middle - distance * Math.cos(angle)
	});
	const step = (2 * Math.PI) / 12;
	return {
		middle,
		radius,
		bars: fifths.map(({ narrow, text }, i) => {
			const angle = (i + 0.5) * step;
			const longest = narrow < 0 ? LONGEST.wide : LONGEST.narrow;
			const cut = Math.abs(narrow) > longest;
			const length = PER_CENT * Math.min(Math.abs(narrow), longest);
			const path = (from: number, to: number, half: number) =>
				arc()({
					innerRadius: from,
					outerRadius: to,
					startAngle: angle - half,
					endAngle: angle + half
				}) ?? '';
			return {
				path: narrow >= 0 ? path(radius - length, radius, HALF_WIDTH) : path(radius, radius + length, HALF_WIDTH),
				/** The whole sector, to be pressed. */
				touch: path(radius * 0.5, radius * 1.12, step / 2),
				wide: narrow < 0,
				cut,
				text,
				label: at(angle, radius * 0.66)
			};
		}),
		notes: fifths.map((_, i) => ({
			tick: { inner: at(i * step, radius - 5), outer: at(i * step, radius + 5) },
			name: at(i * step, radius + 32)
		}))
	};
}
