import { scaleLinear } from 'd3-scale';
import type { Frame } from './frame';

/** Sizes of the twelve major thirds in cents, in the order of the circle of fifths from C. */
export interface ThirdsSeries {
	readonly name: string;
	readonly sizes: readonly number[];
}

/** Lines to judge a third by. */
const LANDMARKS = [
	{ cents: 1200 * Math.log2(5 / 4), name: 'pure' },
	{ cents: 400, name: 'equal' },
	{ cents: 1200 * Math.log2(81 / 64), name: 'Pythagorean' }
] as const;

/** From the narrowest third of any meantone to the widest that is still a third; wolves' thirds are cut off. */
const LOWEST = 378;
const HIGHEST = 430;

/** Twelve treads, from C by fifths to F, for one or several temperaments. */
export function thirdsProfile(series: readonly ThirdsSeries[], { width, height, margin }: Frame, highest = HIGHEST) {
	const all = series.flatMap(({ sizes }) => sizes);
	const y = scaleLinear()
		.domain([Math.max(LOWEST, Math.min(384, ...all) - 1), Math.min(highest, Math.max(410, ...all) + 1)])
		.range([height - margin.bottom, margin.top])
		.clamp(true);
	const step = (width - margin.left - margin.right) / 12;
	const x = (place: number) => margin.left + place * step;
	return {
		step,
		places: Array.from({ length: 12 }, (_, place) => ({ x: x(place), note: (7 * place) % 12 })),
		landmarks: LANDMARKS.map(({ cents, name }) => ({ name, cents, y: y(cents) })),
		paths: series.map(({ name, sizes }) => ({
			name,
			d: sizes.map((size, i) => (i === 0 ? `M${x(0)} ${y(size)}` : `V${y(size)}`) + `H${x(i + 1)}`).join(''),
			treads: sizes.map((size, i) => ({ size, x: x(i), y: y(size) }))
		}))
	};
}
