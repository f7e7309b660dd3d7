import type { StringKind } from '../strings/inharmonicity';

/** A fault that is heard or felt on the way, and becomes work to quote. */
export interface SideFault {
	readonly id: string;
	/** As it is chosen. */
	readonly name: string;
	/** As it stays with the instrument, with the note's name in place of "#". */
	readonly text: string;
	/** The part that it belongs to, of the parts that are looked at on arrival; `strings`: those of its section. */
	readonly part: string;
}

const fault = (id: string, name: string, text: string, part: string): SideFault => ({ id, name, text, part });
const COMMON = [
	fault('buzz', 'Buzzing string', 'A string of # buzzes', 'strings'),
	fault('pin', 'Pin that does not hold', 'A pin of # does not hold', 'pins'),
	fault('key', 'Sluggish key', 'The key of # is sluggish', 'action'),
	fault('damper', 'Damper', 'The damper of # does not close', 'action'),
	fault('tone', 'Uneven tone', '# stands out in tone', 'action')
];
const HAMMER = fault('click', 'Clicking hammer', 'The hammer of # clicks', 'action');
const PLECTRUM = fault('plectrum', 'Plectrum', 'The plectrum of # is late or does not pluck', 'plectra');

/** Faults that one logs while tuning an instrument of that kind. */
export function sideFaults(kind: StringKind): readonly SideFault[] {
	const all = [kind === 'harpsichord' ? PLECTRUM : HAMMER, ...COMMON];
	if (kind === 'grand' || kind === 'upright') return all;
	return all.map((each) => (each.part === 'action' ? { ...each, part: 'jacks' } : each));
}
