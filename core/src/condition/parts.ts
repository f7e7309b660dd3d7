import type { InstrumentKind } from '../record/kinds';
import { FRETTED } from './frettedParts';
import { EARLY, PIANO } from './keyboardParts';
import type { Part } from './part';
import { REEDS } from './reedParts';

/** The parts of an instrument of a kind, in the order in which they are looked at. */
export function partsOf(kind: InstrumentKind): readonly Part[] {
	if (kind === 'reeds') return REEDS;
	if (kind === 'frets') return FRETTED;
	return kind === 'grand' || kind === 'upright' ? PIANO : EARLY;
}
