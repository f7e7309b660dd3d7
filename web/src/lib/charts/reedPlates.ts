import { scaleLinear, scalePow } from 'd3-scale';
import { PLATES, type Plate, type ReedRole } from '@fendrel/core';

/** A reed as a picture of its plate shows it. */
export interface ShownReed {
	readonly group: number;
	readonly hole: number;
	readonly plate: Plate;
	readonly role: ReedRole;
	/** Hz: long reeds are low ones. */
	readonly pitch: number;
	/** Cents from where it is to stand; undefined: not read. */
	readonly off: number | undefined;
	readonly state: 'known' | 'unread' | 'read' | 'set';
}

const MARGIN = { side: 14, top: 30, bottom: 22 } as const;
/** Of a plate's height: the longest and the shortest reed. */
const LENGTHS = { longest: 0.9, shortest: 0.44 } as const;
/** Reeds get shorter with the root of their pitch. */
const SHORTER = -0.5;
/** Shares of a column: a reed's width, where it begins, where the middle of the bar beside it lies. */
const SHARE = { reed: 0.4, from: 0.1, bar: 0.74 } as const;
const WIDEST = { reed: 34, bar: 13 } as const;
/** What a hole's own reed takes of its column where others lie beside it. */
const OWN = 0.62;
/** A column this wide holds a figure. */
const FIGURE = 34;
/** A bar is drawn up to so many cents. */
const MOST = 15;

export interface PlateFrame {
	readonly width: number;
	/** Of one plate. */
	readonly height: number;
}

/** Both plates as they lie on the bench: the blow plate before one, the draw plate turned over, high holes to the left. */
export function reedPlates<Reed extends ShownReed>(reeds: readonly Reed[], { width, height }: PlateFrame) {
	const pitches = reeds.map(({ pitch }) => pitch ** SHORTER);
	const longest = Math.max(...pitches);
	const length = scalePow()
		.domain([0, longest])
		.range([0, LENGTHS.longest * height]);
	const bar = scaleLinear()
		.domain([-MOST, MOST])
		.range([height * 0.3, -height * 0.3])
		.clamp(true);
	return PLATES.flatMap((plate) => {
		const own = reeds.filter((reed) => reed.plate === plate);
		if (own.length === 0) return [];
		const holes = [...new Set(own.map(({ hole }) => hole))].sort((a, b) => (plate === 'blow' ? a - b : b - a));
		const column = (width - 2 * MARGIN.side) / holes.length;
		const isTurned = plate === 'draw';
		const columns = holes.map((hole, i) => {
			const beside = own.filter((reed) => reed.hole === hole);
			return {
				...{ hole, x: MARGIN.side + (i + 0.5) * column },
				reeds: beside.map((reed, k) => {
					const others = (1 - OWN) / Math.max(1, beside.length - 1);
					const cell = column * (beside.length === 1 ? 1 : k === 0 ? OWN : others);
					const left = MARGIN.side + i * column + (k === 0 ? 0 : (OWN + (k - 1) * others) * column);
					const reedWidth = Math.min(WIDEST.reed, SHARE.reed * cell);
					const barWidth = Math.min(WIDEST.bar, 0.18 * cell);
					const tall = Math.max(LENGTHS.shortest * height, length(reed.pitch ** SHORTER));
					const x = left + SHARE.from * cell;
					const y = isTurned ? MARGIN.top + height - 6 - tall : MARGIN.top + 6;
					const zero = MARGIN.top + height / 2;
					const off = reed.off === undefined ? undefined : bar(reed.off);
					return {
						...{ reed, x, y, width: reedWidth, height: tall, cell: { x: left, width: cell } },
						rivet: { x: x + reedWidth / 2, y: isTurned ? y + tall - 7 : y + 7 },
						bar:
							off === undefined
								? undefined
								: {
										...{ x: left + SHARE.bar * cell - barWidth / 2, width: barWidth, zero },
										...{ y: Math.min(zero, zero + off), height: Math.max(1.5, Math.abs(off)) },
										hasFigure: cell >= FIGURE,
										/** Where its figure stands: beyond the bar. */
										text: off < 0 ? zero + off - 5 : zero + off + 14
									}
					};
				})
			};
		});
		return [
			{ plate, columns, top: MARGIN.top, bottom: MARGIN.top + height, height: MARGIN.top + height + MARGIN.bottom }
		];
	});
}
