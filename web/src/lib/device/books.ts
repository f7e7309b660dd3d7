import { isKeyboardKind } from '@fendrel/core';
import type {
	At,
	Brief,
	Climate,
	Finding,
	InstrumentTwin,
	LearnedCoupling,
	ListeningHabits,
	MovedPins,
	NextVisit,
	OtherWork,
	Pace,
	Neck,
	NeckTwin,
	PinFound,
	PlannedFrets,
	PlannedIntonation,
	PluckedString,
	SectionId,
	Stage,
	ReedSet,
	ReedTwin,
	StringKind,
	Stringing,
	StringTableRow,
	VisitEvent
} from '@fendrel/core';
import type { SentReading } from '$lib/record/record';
import type { Settings } from '$lib/settings/settings';
import type { KeptCurve } from '$lib/tuning/curve';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';
import type { Stretch } from '$lib/tuning/stretch';
import type { KnownString } from '$lib/tuning/strings';

/*
 * What a device holds of an instrument and of a visit, so that it can go on without the server. It comes as one answer
 * each; whatever happens in the visit afterwards comes as changes.
 */

/** An instrument's last finished visit. */
export interface LastVisit {
	/** Milliseconds since 1970. */
	readonly at: number;
	readonly a4: number;
	readonly tolerance: number;
	readonly temperamentId: string;
	readonly stretch: Stretch;
	/** Of free reeds. */
	readonly intonation?: PlannedIntonation;
	/** Of strings over frets. */
	readonly frets?: PlannedFrets;
	/** What a guitar's strings did then. */
	readonly plucked?: readonly PluckedString[];
	/** As notes were left: cents from equal temperament at its A4, its temperament taken out. */
	readonly left: readonly { readonly note: number; readonly cents: number }[];
}

/** A finished visit, as the next one is shown it; cents from the instrument's usual pitch. */
export interface VisitBefore {
	readonly id: string;
	/** Milliseconds since 1970. */
	readonly at: number;
	readonly minutes: number;
	readonly who: string;
	readonly note: string;
	readonly sections: readonly {
		readonly id: SectionId;
		readonly found: number | undefined;
		readonly left: number | undefined;
	}[];
	readonly climate: Climate | undefined;
	readonly brief: Brief | undefined;
	/** The day on which somebody was to come again, where that was said. */
	readonly again?: NextVisit;
}

interface AnyInstrument {
	readonly id: string;
	readonly name: string;
	readonly lowest: number;
	readonly highest: number;
	readonly usualA4: number;
	readonly location: { readonly name: string; readonly town: string } | undefined;
}
export interface KeyboardInstrument extends AnyInstrument {
	readonly kind: StringKind;
	readonly stringing: Stringing;
	readonly twin: InstrumentTwin;
}
export interface ReedInstrument extends AnyInstrument {
	readonly kind: 'reeds';
	readonly reeds: ReedSet;
	readonly twin: ReedTwin;
}
export interface FretInstrument extends AnyInstrument {
	readonly kind: 'frets';
	readonly neck: Neck;
	readonly twin: NeckTwin;
}
export type BookInstrument = KeyboardInstrument | ReedInstrument | FretInstrument;

export interface InstrumentBook<Instrument extends BookInstrument = BookInstrument> {
	readonly instrument: Instrument;
	readonly temperaments: readonly StoredTemperament[];
	readonly measured: readonly KnownString[];
	/** Wires and lengths, where somebody has measured them. */
	readonly wires?: readonly StringTableRow[];
	/** Finished visits, newest first. */
	readonly history?: readonly VisitBefore[];
	/** Work that earlier visits found and nobody has done. */
	readonly findings?: readonly At<Finding>[];
	/** Notes that moved otherwise than their neighbours from one of the last visits to the next. */
	readonly jumped?: readonly number[];
	/** Voicing and regulation, where they have days of their own. */
	readonly otherWork?: readonly (NextVisit & { readonly work: OtherWork })[];
	/** Pins that were found by touch, in order. */
	readonly pins?: readonly PinFound[];
	/** What earlier raises of it have told. */
	readonly learned?: LearnedCoupling;
	/** The pitch that most other instruments of its house stand at; undefined where it stands alone. */
	readonly house?: number;
	/** Newest first. */
	readonly curves: readonly KeptCurve[];
	readonly habits: ListeningHabits;
	/** What the workshop decides for its visits. */
	readonly settings?: Settings;
	/** How long work takes here, by the workshop's own visits. */
	readonly pace?: Pace;
	readonly last: LastVisit | undefined;
	/** The visit that is open. */
	readonly open: string | undefined;
}

export const isKeyboardBook = (book: InstrumentBook): book is InstrumentBook<KeyboardInstrument> =>
	isKeyboardKind(book.instrument.kind);
export const isReedBook = (book: InstrumentBook): book is InstrumentBook<ReedInstrument> =>
	book.instrument.kind === 'reeds';
export const isFretBook = (book: InstrumentBook): book is InstrumentBook<FretInstrument> =>
	book.instrument.kind === 'frets';

export interface VisitBook {
	readonly id: string;
	readonly instrumentId: string;
	/** Milliseconds since 1970. */
	readonly startedAt: number;
	/** Whoever began it. */
	readonly who?: string;
	/** Where the work stands, unless an act says so: visits from before there were such acts. */
	readonly stage: Stage;
	/** Where its record stands on the server; what is newer comes as changes. */
	readonly seq: number;
	readonly events: readonly VisitEvent[];
	/** Strings that the simulated instrument's lever has moved. */
	readonly moved: MovedPins;
}

/** Of a number that leads to another visit, that visit. */
export interface VisitBundle<Instrument extends BookInstrument = BookInstrument> {
	readonly visit: VisitBook;
	readonly about: InstrumentBook<Instrument>;
}

/** Something that happened in a visit, with what a reading's list does not need. */
export interface Told {
	readonly event: VisitEvent;
	readonly partials?: SentReading['partials'];
}

export interface VisitChanges {
	/** The visit itself, when its number leads to another. */
	readonly visit: string;
	readonly seq: number;
	readonly told: readonly Told[];
	/** Curves that plans among them take. */
	readonly curves: readonly KeptCurve[];
	readonly moved: MovedPins | undefined;
	/** When each of these was moved last, by the server's clock. */
	readonly movedAt?: Readonly<Record<string, number>>;
}

/** Times come as text in an answer. */
export function withTimes<Book extends { readonly curves: readonly KeptCurve[] }>(book: Book): Book {
	return { ...book, curves: book.curves.map((curve) => ({ ...curve, madeAt: new Date(curve.madeAt) })) };
}
