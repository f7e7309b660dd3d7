import {
	AUDIBLE,
	cents,
	centsBetween,
	hz,
	instrumentStrings,
	memberOf,
	octaveOfMember,
	stepInCents,
	type InstrumentStrings,
	type MeasuredString,
	type SounderId,
	type StringKind,
	type StruckInharmonicity
} from '@fendrel/core';

/** A string as it was read, or as its wire and length say. */
export interface KnownString extends MeasuredString {
	readonly by: 'strike' | 'table';
}

/** What a strike of one string tells of it. */
export interface StruckString {
	readonly note: number;
	readonly pitch: number;
	readonly pitchError: number | null;
	readonly inharmonicity: number;
	readonly inharmonicityError: number | null;
	readonly partials: readonly { readonly partial: number; readonly frequency: number; readonly error: number }[];
}

/** Readings from before errors were stored: as sure as the listener usually is. */
const USUAL = { b: 0.05, pitch: 0.1 } as const;
const short = (value: number) => Number(value.toFixed(4));

const isPartial = ({ frequency, error }: StruckString['partials'][number]) =>
	frequency >= AUDIBLE.lowest && frequency <= AUDIBLE.highest && error >= 0 && error < frequency;

/** B as a strike told it. */
export function struckInharmonicity(
	of: Pick<StruckString, 'inharmonicity' | 'inharmonicityError'>
): StruckInharmonicity {
	const { inharmonicity: b, inharmonicityError } = of;
	return { b, error: inharmonicityError ?? USUAL.b * b };
}

/**
 * A string as its strike told it, partials and all: the same just heard and after a reload.
 * @param before what the strike before told of it
 */
export function knownByStrike(
	{ note, pitch, pitchError, ...rest }: StruckString,
	before?: StruckInharmonicity
): KnownString {
	const ownError = pitchError ?? USUAL.pitch;
	return {
		note,
		...struckInharmonicity(rest),
		...(before && { before: { b: before.b, error: before.error } }),
		// A stored figure that no string can have costs itself.
		partials: rest.partials.filter(isPartial).map(({ partial, frequency, error }) => ({
			partial,
			sharpness: cents(short(centsBetween(hz(pitch * partial), hz(frequency)))),
			error: cents(short(Math.hypot(stepInCents(error, frequency), ownError)))
		})),
		by: 'strike'
	};
}

/** How well B must be known to be an instrument's: a share of itself. */
const SURE = 0.2;

/** Whether a strike tells its string's inharmonicity: one string alone, and well. */
export function tellsString(of: {
	readonly sounders: readonly SounderId[];
	readonly inharmonicity: number | null;
	readonly inharmonicityError: number | null;
}): boolean {
	const { sounders, inharmonicity: b, inharmonicityError: error } = of;
	// A register of its own octave has strings of its own.
	if (octaveOfMember(memberOf(sounders[0])) > 0) return false;
	return sounders.length === 1 && b !== null && b > 0 && (error === null || error < SURE * b);
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
