import { mean } from 'd3-array';
import { couplingOf, type LearnedCoupling } from './learning';
import { forecast, type SetPoint } from './overpull';
import type { FoundNote } from './pass';
import { setPoints, type RaiseSchool } from './schools';
import { isMates } from './stripFirst';

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

/** What a raise costs in an order of work. */
export interface RaiseCost {
	readonly passes: number;
	/** Cents that a string is set beyond its target at most, in the first pass; and notes held back there. */
	readonly most: number;
	readonly held: number;
	/** What the first pass leaves (root mean square) on a piano that yields so much more than was thought, in cents. */
	readonly left: number;
	/** How far strings of a note end apart on such a piano, in cents; 0 where they are set together. */
	readonly apart: number;
}

/** Pianos yield by as much more or less than is known of them before they are raised. */
export const DOUBT = 0.3;

/** @param notes in the order of work, split where the strip is in */
export function raiseCost(school: RaiseSchool, notes: readonly FoundNote[], known: LearnedCoupling): RaiseCost {
	const passes = plannedPasses(school, notes, known);
	const [{ points, held }] = passes;
	const coupling = couplingOf(known);
	const doubted = {
		...coupling,
		...{
			local: (1 + DOUBT) * coupling.local,
			whole: (1 + DOUBT) * coupling.whole,
			setBack: (1 + DOUBT) * coupling.setBack
		}
	};
	const came = forecast(
		notes.map(({ found, ...each }) => ({ ...each, now: found })),
		points.map(({ setTo }) => setTo),
		doubted
	);
	const leftAt = new Map(came.map(({ note, left }) => [note, left]));
	const whole = came.filter(({ note }) => !isMates(note));
	const mates = came.filter(({ note }) => isMates(note));
	return {
		passes: passes.length,
		most: Math.max(...points.map(({ over }) => Math.abs(over))),
		held,
		left: Math.sqrt(mean(whole, ({ left }) => left ** 2) ?? 0),
		apart: mean(mates, ({ note, left }) => Math.abs(left - leftAt.get(Math.floor(note))!)) ?? 0
	};
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
