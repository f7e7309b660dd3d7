import { breakOf, stringsAt, sectionAt, type Stringing } from '@fendrel/core';
import { noteAxis } from './noteAxis';
import type { Frame } from './frame';

/** Width that all strings of a note take at most, as a share of its place. */
const SPREAD = 0.6;

/** The strings of a keyboard as they lie side by side, the registers one above the other. */
export function stringingPicture(stringing: Stringing, known: ReadonlySet<number>, frame: Frame) {
	const { height, margin } = frame;
	const { lowest, sections, choirs } = stringing;
	const highest = sections[sections.length - 1].to;
	const axis = noteAxis(lowest, highest, frame);
	const room = (height - margin.top - margin.bottom) / choirs.length;
	const top = (choir: number) => margin.top + choir * room + 4;
	const strings = choirs.flatMap((_, choir) =>
		Array.from({ length: highest - lowest + 1 }, (__, i) => lowest + i).flatMap((note) => {
			const count = stringsAt(stringing, note);
			const apart = (SPREAD * axis.step) / 2;
			return Array.from({ length: count }, (__, string) => ({
				key: `${choir} ${note} ${string}`,
				x: axis.x(note) + (string - (count - 1) / 2) * apart,
				y1: top(choir),
				y2: top(choir) + room - 8,
				wound: sectionAt(stringing, note).wound
			}));
		})
	);
	const named = sections.map(({ to, strings: count, wound }, i) => {
		const from = i === 0 ? lowest : sections[i - 1].to + 1;
		return {
			to,
			x: (axis.x(from) + axis.x(to)) / 2,
			text: `${count} ${wound ? 'wound' : 'plain'}`,
			/** A narrow section has no room for words. */
			fits: axis.x(to) - axis.x(from) > 50
		};
	});
	const at = breakOf(stringing);
	return {
		...axis,
		strings,
		/** The sections, each with its words. */
		named,
		registers: choirs.map(({ name }, choir) => ({ name, y: top(choir) + 12 })),
		known: [...known].map((note) => ({ note, x: axis.x(note) })),
		/** Between the last wound string and the first plain one. */
		breakAt: at === undefined ? undefined : { note: at, x: axis.x(at) - axis.step / 2 }
	};
}
