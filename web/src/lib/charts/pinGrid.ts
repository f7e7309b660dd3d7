import { noteAxis } from './noteAxis';
import type { Frame } from './frame';

/** Strings of a note: which stay as they are, and which are moved. */
export interface PinColumn {
	readonly note: number;
	readonly stay: readonly number[];
	readonly move: readonly number[];
}

/** Places for three strings, one above the other. */
const ROWS = 3;

export function pinGrid(columns: readonly PinColumn[], lowest: number, highest: number, frame: Frame) {
	const { height, margin } = frame;
	const axis = noteAxis(lowest, highest, frame);
	const row = (height - margin.top - margin.bottom) / ROWS;
	const size = Math.max(3, Math.min(axis.step * 0.72, row * 0.72));
	return {
		...axis,
		size,
		strings: columns.flatMap(({ note, stay, move }) => {
			const count = stay.length + move.length;
			return Array.from({ length: count }, (_, string) => ({
				key: `${note}/${string}`,
				x: axis.x(note) - size / 2,
				y: height - margin.bottom - row * (string + 0.5) - size / 2,
				moves: move.includes(string)
			}));
		})
	};
}
