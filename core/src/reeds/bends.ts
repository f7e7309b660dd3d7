import { mean } from 'd3-array';
import { reedGroup, type ReedSet } from './reedSet';

/*
 * How far notes bend, in cents above the lowest C of the scale used: any scale will do as long as it is one. In a hole of two reeds
 * the higher note bends down to about a semitone above the lower reed; with an auxiliary reed, to about half a semitone above that.
 */

/** Cents that a bend stops above the reed beneath it, as a player was found to do. */
export interface BendFloors {
	readonly reed: number;
	readonly auxiliary: number;
}
export const USUAL_FLOORS: BendFloors = { reed: 100, auxiliary: 50 };

/** A bend that was played: its floor, and the reed beneath it, in cents. */
export interface PlayedBend {
	readonly floor: number;
	readonly beneath: number;
	readonly by: keyof BendFloors;
}

/** Bends that count as much as what is usual. */
const USUAL_WEIGHT = 2;

/** What this player does: the usual, and more and more what was played. */
export function floorsOf(played: readonly PlayedBend[]): BendFloors {
	const of = (by: keyof BendFloors) => {
		const own = played.filter((each) => each.by === by).map(({ floor, beneath }) => floor - beneath);
		const weight = own.length / (own.length + USUAL_WEIGHT);
		return own.length ? weight * mean(own)! + (1 - weight) * USUAL_FLOORS[by] : USUAL_FLOORS[by];
	};
	return { reed: of('reed'), auxiliary: of('auxiliary') };
}

/** How far the higher note of a hole bends, in cents; undefined: it does not. @param lower the other reed of the hole */
export function bendFloor(
	{ higher, lower, auxiliary }: { readonly higher: number; readonly lower?: number; readonly auxiliary?: number },
	floors = USUAL_FLOORS
): number | undefined {
	const floor =
		auxiliary !== undefined ? auxiliary + floors.auxiliary : lower !== undefined ? lower + floors.reed : undefined;
	return floor !== undefined && floor < higher ? floor : undefined;
}

/** Where an auxiliary reed is tuned so that a bend ends at the note wanted, in cents. */
export const auxiliaryFor = (wanted: number, floors = USUAL_FLOORS): number => wanted - floors.auxiliary;

/** A note that bends, and the reed over which it ends. */
export interface Bend {
	readonly hole: number;
	/** Groups: the reed that bends, and the one beneath it. */
	readonly bends: number;
	readonly beneath: number;
	readonly by: keyof BendFloors;
	/** Semitones above the lowest tonic: the note that bends, and the one beneath it, of an auxiliary reed the one wanted. */
	readonly higher: number;
	readonly lower: number;
}

/** The bends of a set, hole by hole: over the other reed where it lies two semitones lower at least, or over an auxiliary one. */
export function bendsOf({ layout, auxiliaries }: Pick<ReedSet, 'layout' | 'auxiliaries'>): readonly Bend[] {
	// Valves and second reeds leave nothing to bend over.
	const isPlain = !layout.slide && layout.doubling.kind === 'none';
	return layout.holes.flatMap((notes, i): Bend[] => {
		const hole = i + 1;
		const over = auxiliaries.find((each) => each.hole === hole);
		if (over) {
			const higher = notes[over.plate];
			if (higher === null) return [];
			return [
				{
					...{ hole, by: 'auxiliary', higher, lower: over.wanted },
					...{ bends: reedGroup(hole, over.plate), beneath: reedGroup(hole, over.plate, 'auxiliary') }
				}
			];
		}
		const { blow, draw } = notes;
		if (!isPlain || blow === null || draw === null || Math.abs(blow - draw) < 2) return [];
		const [high, low] = blow > draw ? (['blow', 'draw'] as const) : (['draw', 'blow'] as const);
		return [
			{
				...{ hole, by: 'reed', higher: notes[high]!, lower: notes[low]! },
				...{ bends: reedGroup(hole, high), beneath: reedGroup(hole, low) }
			}
		];
	});
}
