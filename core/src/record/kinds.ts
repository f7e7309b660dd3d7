import { STRING_KINDS } from '../strings/inharmonicity';

/** Kinds of instruments: those with strings and a keyboard, and free reeds. */
export const INSTRUMENT_KINDS = [...STRING_KINDS, 'reeds'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];
