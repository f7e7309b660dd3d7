import { max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import type { NoteLoad } from '@fendrel/core';
import { noteAxis } from './noteAxis';
import type { Frame } from './frame';

/** Tension of one string above, share of its breaking load below; both along the keyboard. */
export function stringLoads(
	notes: readonly NoteLoad[],
	lowest: number,
	highest: number,
	frame: Frame & { readonly gap: number }
) {
	const { height, margin, gap } = frame;
	const axis = noteAxis(lowest, highest, frame);
	const middle = margin.top + (height - margin.top - margin.bottom - gap) / 2;
	const most = max(notes, ({ tension = 0, added = 0 }) => tension + added) ?? 1000;
	const tension = scaleLinear()
		.domain([0, Math.max(most, 500)])
		.nice(4)
		.range([middle, margin.top]);
	const share = scaleLinear()
		.domain([0, Math.max(1, max(notes, ({ shareAfter = 0 }) => shareAfter) ?? 1)])
		.range([height - margin.bottom, middle + gap]);
	const bar = Math.max(2, axis.step - 2);
	return {
		...axis,
		bar,
		tensions: notes.flatMap(({ note, tension: now, added = 0 }) =>
			now === undefined ? [] : [{ note, x: axis.x(note), y: tension(now), after: tension(now + added) }]
		),
		shares: notes.flatMap(({ note, breakingShare, shareAfter = breakingShare, material }) =>
			breakingShare === undefined || shareAfter === undefined
				? []
				: [
						{
							note,
							x: axis.x(note) - bar / 2,
							y: share(breakingShare),
							after: share(shareAfter),
							near: shareAfter > material.warnAt
						}
					]
		),
		base: share(0),
		tensionTicks: tension.ticks(4).map((value) => ({ value, y: tension(value) })),
		shareTicks: [0, 0.25, 0.5, 0.75, 1].map((value) => ({ value, y: share(value) }))
	};
}
