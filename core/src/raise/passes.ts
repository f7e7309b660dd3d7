import { mean } from 'd3-array';
import type { LearnedCoupling } from './learning';
import type { SetPoint } from './overpull';
import type { FoundNote } from './pass';
import { setPoints, type RaiseSchool } from './schools';

export interface PlannedPass {
	readonly points: readonly SetPoint[];
	/** Notes that were held back by their bound. */
	readonly held: number;
}

/** After a pass no note should lie further off than one tuning puts right, in cents. */
export const LEFT_FOR_TUNING = 5;
/** More passes than that are not made in a visit. */
const MOST_PASSES = 4;

/**
 * The passes that a raise needs, each from where the one before is thought to leave the notes, until what is left is a
 * matter of tuning.
 * @param notes in the order of work
 */
export function plannedPasses(
	school: RaiseSchool,
	notes: readonly FoundNote[],
	known: LearnedCoupling,
	fine = LEFT_FOR_TUNING
): readonly PlannedPass[] {
	const passes: PlannedPass[] = [];
	let at = notes.map(({ found, ...each }) => ({ ...each, now: found }));
	while (passes.length < MOST_PASSES && (passes.length === 0 || Math.max(...offs(passes)) > fine)) {
		const points = setPoints(school, at, known);
		passes.push({ points, held: points.filter(({ boundBy }) => boundBy).length });
		at = at.map((each, i) => ({ ...each, now: each.target + points[i].left }));
	}
	return passes;
}

function offs(passes: readonly PlannedPass[]): number[] {
	return passes.at(-1)!.points.map(({ left }) => Math.abs(left));
}

/** What a pass leaves by section, in cents from the targets. */
export function leftBySection<Section extends { readonly from: number; readonly to: number }>(
	points: readonly Pick<SetPoint, 'note' | 'left'>[],
	sections: readonly Section[]
): readonly (Section & { readonly left: number })[] {
	return sections.flatMap((section) => {
		const left = mean(
			points.filter(({ note }) => note >= section.from && note <= section.to),
			(point) => point.left
		);
		return left === undefined ? [] : [{ ...section, left }];
	});
}
