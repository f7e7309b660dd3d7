import { extent } from 'd3-array';
import { scaleLinear, scaleUtc } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { Frame } from './frame';

/** A visit by sections, in cents, and the air it was made in. */
export interface SectionVisit {
	/** Milliseconds since 1970. */
	readonly at: number;
	readonly sections: readonly {
		readonly id: string;
		readonly found: number | undefined;
		readonly left: number | undefined;
	}[];
	/** Per cent of relative humidity. */
	readonly humidity: number | undefined;
}

/** Where it is expected to stand: cents, with the band that holds two of three. */
export interface ExpectedPitch {
	readonly at: number;
	readonly cents: number;
	readonly error: number;
}

/** Height that the climate takes beneath. */
const CLIMATE = 34;

/** How sections moved from visit to visit: from what was left to what was found next. */
export function sectionRecord(
	visits: readonly SectionVisit[],
	now: number,
	{ width, height, margin }: Frame,
	ahead: readonly ExpectedPitch[] = []
) {
	const inOrder = [...visits].sort((a, b) => a.at - b.at);
	const x = scaleUtc()
		.domain([
			new Date(inOrder[0].at),
			new Date(Math.max(now, inOrder[inOrder.length - 1].at + 1, ahead.at(-1)?.at ?? 0))
		])
		.range([margin.left, width - margin.right]);
	const figures = [
		...inOrder.flatMap(({ sections }) => sections.flatMap(({ found, left }) => [found, left])).filter(isFigure),
		...ahead.flatMap(({ cents, error }) => [cents - error, cents + error])
	];
	const [low = 0, high = 0] = extent(figures) as [number, number];
	const foot = height - margin.bottom - CLIMATE;
	const y = scaleLinear()
		.domain([Math.min(low, -4), Math.max(high, 4)])
		.nice(4)
		.range([foot, margin.top]);
	const ids = [...new Set(inOrder.flatMap(({ sections }) => sections.map(({ id }) => id)))];
	const lines = ids.map((id) => {
		const points = inOrder.flatMap(({ at, sections }) => {
			const section = sections.find((each) => each.id === id);
			const [found, left] = [section?.found, section?.left];
			return [found, left].filter(isFigure).map((value): [number, number] => [x(new Date(at)), y(value)]);
		});
		return { id, path: line()(points) ?? '', end: points.at(-1) };
	});
	const humid = inOrder.filter((visit) => visit.humidity !== undefined);
	const wet = scaleLinear()
		.domain([20, 90])
		.range([height - margin.bottom, height - margin.bottom - CLIMATE + 8]);
	const most = Math.max(2, Math.min(6, Math.floor(width / 120)));
	const format = x.tickFormat(most);
	const xOf = ({ at }: ExpectedPitch) => x(new Date(at));
	return {
		lines,
		expected: ahead.length
			? {
					path: line(xOf, ({ cents }: ExpectedPitch) => y(cents))(ahead) ?? '',
					band:
						area(
							xOf,
							({ cents, error }: ExpectedPitch) => y(cents - error),
							({ cents, error }: ExpectedPitch) => y(cents + error)
						)(ahead) ?? '',
					x: xOf(ahead[0])
				}
			: undefined,
		humidity:
			humid.length > 1
				? line<SectionVisit>(
						(visit) => x(new Date(visit.at)),
						(visit) => wet(visit.humidity!)
					)(humid)
				: null,
		drops: humid.map(({ at, humidity }) => ({ x: x(new Date(at)), y: wet(humidity!), humidity: humidity! })),
		xTicks: x.ticks(most).map((tick) => ({ x: x(tick), label: format(tick) })),
		yTicks: y.ticks(4).map((value) => ({ value, y: y(value) }))
	};
}

const isFigure = (value: number | undefined): value is number => value !== undefined;
