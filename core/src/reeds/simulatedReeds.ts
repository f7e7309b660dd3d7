import { createRandom } from '../numeric/random';
import type { Breath } from '../record/reedActs';
import { STEADY_REED, type LastingTone } from '../sounding/reed';
import { equalHz } from '../units/pitch';
import type { Hz } from '../units/quantity';
import type { ReedEnd } from './filing';
import { USUAL_FLOORS, type BendFloors } from './bends';
import { placedReeds, reedPlaceOf, type PlacedReed, type ReedSet } from './reedSet';
import { usualSlope } from './standing';

/** Reeds that nobody has built: where each stands, how it follows the breath and what a stroke does to it, by a seed. */
export interface ReedTwin {
	readonly kind: 'reeds';
	readonly seed: number;
}

/** Decibels below full breath. */
export const BREATH_LEVELS: Readonly<Record<Breath, number>> = { soft: -14, normal: -4, hard: 0 };
const TONE = { seconds: 2.2, rise: 0.2, noise: 38 } as const;
const SWELL = { from: -18, to: 0, seconds: 4.5 } as const;
/** How far reeds stand off, in cents: standard deviation; played for long they fall. */
const OFF = { middle: -1, spread: 5 } as const;
const SLOPES_DIFFER = 0.15;
/** A stroke at A4, as `filing` thinks, and how far reeds and strokes differ from it. */
const STROKE = { cents: 1, power: 0.6, reeds: Math.SQRT2, strokes: 0.15 } as const;

interface Hidden {
	/** Cents from the key's equal temperament at soft breath, as it was found. */
	readonly off: number;
	readonly slope: number;
	/** Cents a stroke. */
	readonly stroke: number;
	readonly wobble: number;
}

const numberFor = (seed: number, ...more: readonly number[]) =>
	more.reduce((all, each) => Math.imul(all ^ each, 2_654_435_761) >>> 0, seed >>> 0);

function hiddenOf({ seed }: ReedTwin, { group }: PlacedReed, nominal: number): Hidden {
	const random = createRandom(numberFor(seed, group + 1));
	const usual = usualSlope(nominal).slope;
	return {
		off: OFF.middle + OFF.spread * random.normal(),
		slope: usual * (1 + SLOPES_DIFFER * random.normal()),
		stroke: STROKE.cents * (nominal / 440) ** STROKE.power * STROKE.reeds ** (2 * random.uniform() - 1),
		wobble: 0.1 + 0.2 * random.uniform()
	};
}

/** Cents that a reed has been moved by since it was found. */
export type MovedReeds = Readonly<Record<string, number>>;

/**
 * What sounds when one reed or several are blown or drawn together.
 * @param moved cents by group
 * @param times rises with every breath: no two are alike
 */
export function reedSound(
	{
		twin,
		set,
		a4,
		moved
	}: { readonly twin: ReedTwin; readonly set: ReedSet; readonly a4: Hz; readonly moved: MovedReeds },
	groups: readonly number[],
	breath: Breath | 'swell',
	times: number
): readonly LastingTone[] {
	const reeds = placedReeds(set);
	return groups.flatMap((group) => {
		const reed = reeds.find((each) => each.group === group);
		if (!reed) return [];
		const nominal = equalHz(set.tonic + reed.note - (reed.role === 'auxiliary' ? 0.3 : 0), a4);
		const { off, slope, stroke: _, wobble } = hiddenOf(twin, reed, nominal);
		// What was found is at soft breath; a tone's pitch is told at full breath.
		const full = off + (moved[group] ?? 0) + slope * -BREATH_LEVELS.soft;
		const of = breath === 'swell' ? SWELL : { from: BREATH_LEVELS[breath], to: BREATH_LEVELS[breath] };
		return [
			{
				...{ ...STEADY_REED, ...TONE, ...of, slope, wobble: { cents: wobble, rate: 4.3 } },
				...{ pitch: nominal * 2 ** (full / 1200), seed: numberFor(twin.seed, group + 1, times) }
			}
		];
	});
}

/** How far above the reed beneath them this player's bends end, in cents. */
const bendsAbove = ({ seed }: ReedTwin, by: keyof BendFloors) =>
	USUAL_FLOORS[by] + 8 * createRandom(numberFor(seed, by === 'auxiliary' ? 6_007 : 6_011)).normal();

/** What sounds when a reed is bent down to its floor over the reed beneath it. @param beneath that reed's group */
export function bendSound(of: Parameters<typeof reedSound>[0], beneath: number, times: number): readonly LastingTone[] {
	const above = bendsAbove(of.twin, reedPlaceOf(beneath).role === 'auxiliary' ? 'auxiliary' : 'reed');
	return reedSound(of, [beneath], 'normal', times).map((tone) => ({
		...tone,
		pitch: tone.pitch * 2 ** (above / 1200)
	}));
}

/** What some strokes move a reed by, in cents. @param before strokes that it has had */
export function fileReed(
	twin: ReedTwin,
	set: ReedSet,
	a4: Hz,
	{
		group,
		end,
		strokes,
		before
	}: { readonly group: number; readonly end: ReedEnd; readonly strokes: number; readonly before: number }
): number {
	const reed = placedReeds(set).find((each) => each.group === group)!;
	const { stroke } = hiddenOf(twin, reed, equalHz(set.tonic + reed.note, a4));
	const random = createRandom(numberFor(twin.seed, group + 1, 7919 + before));
	let moved = 0;
	for (let i = 0; i < strokes; i++) moved += stroke * Math.max(0, 1 + STROKE.strokes * random.normal());
	return end === 'tip' ? moved : -moved;
}
