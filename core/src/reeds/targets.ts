import { cents, hz, type Cents, type Hz } from '../units/quantity';
import { equalHz } from '../units/pitch';
import { auxiliaryFor, USUAL_FLOORS, type BendFloors } from './bends';
import {
	gentleOffset,
	octavesOf,
	reedOffset,
	type BreathSlope,
	type Intonation,
	type IntonationLevel
} from './intonation';
import { reedOrder } from './order';
import { placedReeds, reedGroup, type PlacedReed, type ReedSet } from './reedSet';
import { usualSlope, type BreathLevels } from './standing';

/** What reeds are set to, and by what breath. */
export interface ReedBasis {
	readonly a4: Hz;
	readonly intonation: Intonation;
	readonly levels: BreathLevels;
	/** How a reed follows the breath; undefined: as reeds of its pitch usually do. */
	readonly slopeOf: (group: number) => BreathSlope | undefined;
	/** Where bends end with this player. */
	readonly floors?: BendFloors;
}

/** Where a reed is to stand. */
export interface ReedTarget extends PlacedReed {
	/** In the key's equal temperament, in Hz. */
	readonly nominal: Hz;
	/** Cents from there at playing breath, as it is meant, and at gentle breath, as it is read. */
	readonly playing: Cents;
	readonly gentle: Cents;
	/** Hz at gentle breath. */
	readonly pitch: Hz;
}

/** Where a reed is to stand at playing breath, in cents from the key's equal temperament. */
function wantedOf({ layout }: ReedSet, reed: PlacedReed, nominal: Hz, { intonation, floors }: ReedBasis): Cents {
	if (reed.role === 'auxiliary') return cents(auxiliaryFor(0, floors ?? USUAL_FLOORS));
	const own = reedOffset(reed.role === 'slide' ? reed.note - 1 : reed.note, reed.plate, intonation);
	if (reed.role !== 'second' || layout.doubling.kind !== 'tremolo') return own;
	// Sharp by a wanted beat.
	const first = nominal * 2 ** (own / 1200);
	return cents(own + 1200 * Math.log2(1 + layout.doubling.beats / first));
}

/** What every reed is to be set to, in the order of the plates. */
export function reedTargets(set: ReedSet, basis: ReedBasis): readonly ReedTarget[] {
	const { a4, levels, slopeOf } = basis;
	return placedReeds(set).map((reed) => {
		const nominal = equalHz(set.tonic + reed.note, a4);
		const playing = wantedOf(set, reed, nominal, basis);
		const slope = slopeOf(reed.group) ?? usualSlope(nominal);
		const gentle = gentleOffset(playing, slope, levels.gentle, levels.playing);
		return { ...reed, nominal, playing, gentle, pitch: hz(nominal * 2 ** (gentle / 1200)) };
	});
}

/** A reed further off than that is no reference, in cents: it is mended itself. */
const REFERENCE = 5;

/**
 * Octaves still: a reed is set to the one of its octave that stands already, wherever that stands, so that the two agree.
 * @param standsOff cents from its own target of each reed that is set
 */
export function followOctaves(
	{ layout }: Pick<ReedSet, 'layout'>,
	targets: readonly ReedTarget[],
	level: IntonationLevel,
	standsOff: (group: number) => number | undefined
): readonly ReedTarget[] {
	if (level === 'equal') return targets;
	const groupOf = ({ hole, plate }: Pick<PlacedReed, 'hole' | 'plate'>) => reedGroup(hole, plate);
	const order = new Map(reedOrder(layout.holes, level).map((reed, i) => [groupOf(reed), i]));
	const pairs = octavesOf(layout.holes).map((two) => two.map(groupOf));
	return targets.map((target) => {
		if (target.role !== 'own') return target;
		const at = order.get(target.group)!;
		const before = pairs
			.filter((two) => two.includes(target.group))
			.map(([lower, upper]) => (lower === target.group ? upper : lower))
			.filter((other) => order.get(other)! < at)
			.sort((a, b) => order.get(a)! - order.get(b)!);
		const off = before.map(standsOff).find((each) => each !== undefined);
		if (off === undefined || Math.abs(off) > REFERENCE) return target;
		const { playing, gentle, pitch } = target;
		return {
			...target,
			playing: cents(playing + off),
			gentle: cents(gentle + off),
			pitch: hz(pitch * 2 ** (off / 1200))
		};
	});
}

/** The A4 at which a meter of equal temperament shows an offset as nothing, in Hz. */
export const asReferencePitch = (a4: Hz, offset: number): Hz => hz(a4 * 2 ** (offset / 1200));
