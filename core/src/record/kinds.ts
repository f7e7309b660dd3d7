import { STRING_KINDS, type StringKind } from '../strings/inharmonicity';

/** Kinds of instruments: those with strings and a keyboard, free reeds, and strings over frets. */
export const INSTRUMENT_KINDS = [...STRING_KINDS, 'reeds', 'frets'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** Whether an instrument has strings and a keyboard. */
export const isKeyboardKind = (kind: InstrumentKind): kind is StringKind => STRING_KINDS.some((each) => each === kind);
