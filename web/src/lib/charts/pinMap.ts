import { noteClass, noteName } from '@fendrel/core';

/** A register's row of pins, in keys and places. */
export interface PinRow {
	readonly id: string;
	readonly name: string;
	readonly places: ReadonlyMap<number, number>;
}
export interface ShownPin {
	readonly note: number;
	readonly x: number;
	readonly y: number;
	/** The Cs are marked. */
	readonly label: string;
	readonly isDue: boolean;
}

/** Places that are shown on either side of the due pin. */
const AROUND = 9;
const SHARPS = new Set([1, 3, 6, 8, 10]);
const MARGIN = { left: 12, right: 12, top: 20, row: 62 } as const;
/** Pins of sharps stand back. */
const BACK = 13;

/** Rows of pins about the one that is due; those of sharps a little behind. */
export function pinPicture(
	rows: readonly PinRow[],
	due: { readonly row: string; readonly note: number },
	width: number
) {
	const middle = rows.find(({ id }) => id === due.row)?.places.get(due.note) ?? 0;
	const step = (width - MARGIN.left - MARGIN.right) / (2 * AROUND);
	const xOf = (place: number) => MARGIN.left + (place - middle + AROUND) * step;
	return {
		height: MARGIN.top + rows.length * MARGIN.row,
		/** The place that a point in a row is nearest to. */
		placeAt: (x: number) => Math.round((x - MARGIN.left) / step - AROUND + middle),
		rows: rows.map(({ id, name, places }, i) => {
			const y = MARGIN.top + i * MARGIN.row;
			const pins = [...places].flatMap(([note, place]): ShownPin[] =>
				Math.abs(place - middle) > AROUND
					? []
					: [
							{
								...{ note, x: xOf(place), y: y + 34 - (SHARPS.has(noteClass(note)) ? BACK : 0) },
								...{ label: noteClass(note) === 0 ? noteName(note) : '', isDue: id === due.row && note === due.note }
							}
						]
			);
			return { id, name, y, pins };
		})
	};
}
