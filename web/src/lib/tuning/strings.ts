import { instrumentStrings, type InstrumentStrings, type MeasuredString, type StringKind } from '@fendrel/core';

/** A string as it was read, or as its wire and length say. */
export interface KnownString extends MeasuredString {
	readonly by: 'strike' | 'table';
}

/** What is known of an instrument's strings. */
export interface StringBasis {
	readonly kind: StringKind;
	readonly measured: readonly KnownString[];
}

const known = new WeakMap<readonly KnownString[], Map<StringKind, InstrumentStrings>>();

/** The fit over the whole keyboard takes some milliseconds: it is made once for what has been read. */
export function stringsOfInstrument({ kind, measured }: StringBasis): InstrumentStrings {
	let kinds = known.get(measured);
	if (!kinds) known.set(measured, (kinds = new Map()));
	let strings = kinds.get(kind);
	if (!strings) kinds.set(kind, (strings = instrumentStrings(kind, measured)));
	return strings;
}

export function notesReadOf(measured: readonly KnownString[]): number {
	return measured.filter(({ by }) => by === 'strike').length;
}
