import type { IntonationLevel, ReedPlace } from './intonation';
import { reedsOf } from './intonation';
import { PLATES, type HoleNotes } from './layouts';

/** Holes in the order in which a plate is brought to equal temperament: the middle first, the highest last. */
const BY_PLACE = [4, 5, 6, 3, 2, 1] as const;
/** Semitones above a plate's root in the order in which its chord is built: root and octaves, fifth, third, then what is left. */
const BY_DEGREE = [0, 7, 4, 3] as const;
const ROOTS = { blow: 0, draw: 7 } as const;

/**
 * The order in which reeds are filed, plate by plate: by place where each is set by itself, by degree where each is set against
 * others. Within a degree the lowest reed comes last: long reeds need most strokes, and the others show where it has to go.
 */
export function reedOrder(holes: readonly HoleNotes[], level: IntonationLevel): readonly ReedPlace[] {
	const reeds = reedsOf(holes);
	return PLATES.flatMap((plate) => {
		const own = reeds.filter((reed) => reed.plate === plate);
		if (level === 'equal') {
			const place = ({ hole }: ReedPlace) => {
				const at = (BY_PLACE as readonly number[]).indexOf(hole);
				return at < 0 ? BY_PLACE.length + hole : at;
			};
			return own.sort((a, b) => place(a) - place(b));
		}
		const degree = ({ note }: ReedPlace) => {
			const at = (BY_DEGREE as readonly number[]).indexOf((((note - ROOTS[plate]) % 12) + 12) % 12);
			return at < 0 ? BY_DEGREE.length : at;
		};
		return own.sort((a, b) => degree(a) - degree(b) || b.note - a.note);
	});
}
