import { scaleLinear } from 'd3-scale';
import type { Frame } from './frame';

/** From where on which work is asked for, in cents, for one purpose. */
export interface BandRow {
	readonly id: string;
	readonly name: string;
	readonly touchUp: number;
	readonly tune: number;
	readonly correct: number;
}

const WORK = ['touch up', 'tune once', 'a pass first', 'raise or lower'] as const;
/** Letters of the small face, in pixels. */
const LETTER = 7;

/** Bands of work along the cents that the worst section stands off, row under row. */
export function thresholdBands(rows: readonly BandRow[], { width, height, margin }: Frame) {
	const farthest = Math.max(12, ...rows.map(({ correct }) => correct * 1.35));
	const x = scaleLinear()
		.domain([0, farthest])
		.range([margin.left, width - margin.right]);
	const tall = (height - margin.top - margin.bottom) / Math.max(1, rows.length);
	return {
		rows: rows.map(({ id, name, touchUp, tune, correct }, i) => {
			const ends = [0, touchUp, tune, correct, farthest].map((cents) => x(Math.max(0, cents)));
			return {
				...{ id, name, y: margin.top + i * tall, height: tall - 4 },
				bands: WORK.map((words, k) => ({
					words: LETTER * words.length < ends[k + 1] - ends[k] - 6 ? words : '',
					...{ level: k, x: ends[k], width: Math.max(0, ends[k + 1] - ends[k]) }
				}))
			};
		}),
		ticks: x.ticks(8).map((value) => ({ value, x: x(value) }))
	};
}
