import { cents, hz, type Cents, type Hz } from '../units/quantity';
import { equalHz } from '../units/pitch';
import { auxiliaryFor, USUAL_FLOORS, type BendFloors } from './bends';
import { gentleOffset, reedOffset, type BreathSlope, type Intonation } from './intonation';
import { placedReeds, type PlacedReed, type ReedSet } from './reedSet';
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

/** The A4 at which a meter of equal temperament shows an offset as nothing, in Hz. */
export const asReferencePitch = (a4: Hz, offset: number): Hz => hz(a4 * 2 ** (offset / 1200));
