import type { HeardNote, TelephoneTold } from '$lib/telephone/told';
import type { Ensemble } from '$lib/ensembles/ensemble';
import type { Change } from '$lib/workshop/changes';
import type { Role } from '$lib/workshop/roles';
import type { CountedOctave } from '$lib/counts/countedOctave';
import type { StringLine } from '$lib/instruments/scale/stringLine';
import type { KeptCurve } from '$lib/tuning/curve';
import type { Settings } from '$lib/settings/settings';
import type { StretchColumns } from '$lib/tuning/stretch';
import type {
	Acceptance,
	Act,
	Answer,
	Ear,
	Figure,
	InstrumentTwin,
	ListeningHabits,
	PinnedString,
	PlanVersion,
	PriorityId,
	Reading,
	SectionId,
	SectionSummary,
	SounderId,
	Stage,
	InstrumentKind,
	Neck,
	NeckTwin,
	ReedSet,
	ReedTwin,
	Stringing,
	Temperament,
	Tuning
} from '@fendrel/core';

/** When something was deleted, and by whom; null: it is there. */
export interface Deletion {
	deletedAt: Date | null;
	deletedBy: string | null;
}

/** Rows as they stand in the tables; ids are UUIDs as text. */
export interface WorkshopRow {
	id: string;
	name: string;
	demo: boolean;
	/** How this workshop listens; null: as usual. */
	listening: ListeningHabits | null;
	/** What it decides for its visits; null: as usual. */
	settings: Settings | null;
	/** 1 for the one that the first start made; null for all others. */
	first: 1 | null;
	createdAt: Date;
}
export interface UserRow extends Deletion {
	id: string;
	workshopId: string;
	email: string;
	name: string;
	role: Role;
	passwordHash: string;
	createdAt: Date;
	/** The ear taken over from practice; null: none. */
	ear: Ear | null;
	/** The workshop's technicians may see what was practised. */
	showsPractice: boolean;
}
/** A sitting of practice: what was played and answered. */
export interface SittingRow {
	id: string;
	userId: string;
	drill: string;
	register: string;
	beganAt: Date;
	trials: readonly Answer[];
	/** The answers were guesses: no threshold is made of them. */
	isGuessed: boolean;
}
/** A place whose instruments a guest may see. */
export interface GuestPlaceRow {
	userId: string;
	placeId: string;
}
/** A link that lets somebody in once: as a new user, or to give a user a new password. */
export interface InvitationRow {
	tokenHash: string;
	workshopId: string;
	role: Role;
	/** What a guest may see, by their ids. */
	places: string[];
	/** Whose password it gives anew; null: somebody new. */
	userId: string | null;
	madeBy: string | null;
	madeAt: Date;
	expiresAt: Date;
}
/** Who changed what. */
export interface ChangeRow {
	id: string;
	workshopId: string;
	/** null: somebody whose account was erased, or Fendrel itself. */
	userId: string | null;
	at: Date;
	what: Change;
	subjectId: string | null;
	/** What it was called then. */
	name: string;
	/** What stood there and what stands there now, by what it is called. */
	said: Record<string, [before: string, after: string]> | null;
}
export interface SessionRow {
	tokenHash: string;
	userId: string;
	createdAt: Date;
	expiresAt: Date;
	/** What the browser calls itself, in short. */
	device: string;
	lastAt: Date | null;
}
export interface LocationRow {
	id: string;
	workshopId: string;
	name: string;
	town: string;
	address: string;
	/** How one gets in: "key at the chandler". */
	entry: string;
	/** Degrees north and east; null: not noted. */
	latitude: number | null;
	longitude: number | null;
	/** Minutes from where the technician sets out; null: estimated. */
	fromHome: number | null;
	version: number;
}
/** Minutes between two places, kept once: from the lesser id to the greater. */
export interface WayRow {
	workshopId: string;
	fromId: string;
	toId: string;
	minutes: number;
}
/** The air at a place on a day, by its logger. */
export interface PlaceClimateRow {
	workshopId: string;
	locationId: string;
	/** "2026-07-14" */
	day: string;
	/** Degrees Celsius; per cent of relative humidity. */
	temperature: number | null;
	humidity: number | null;
}
export interface ContactRow {
	id: string;
	workshopId: string;
	locationId: string | null;
	name: string;
	role: string;
	phone: string;
	email: string;
	note: string;
	version: number;
	changedAt: Date;
}
/** When somebody goes where, and for what. */
export interface BookingRow {
	id: string;
	workshopId: string;
	userId: string;
	locationId: string | null;
	/** Ids of those that are to be worked on. */
	instruments: readonly string[];
	startsAt: Date;
	minutes: number;
	purpose: string;
	promised: string;
	/** Those that were made together. */
	seriesId: string | null;
	version: number;
	changedAt: Date;
}
/** A part of a file that is taken in once all of them are there. */
export interface ImportPartRow {
	userId: string;
	importId: string;
	part: number;
	text: string;
	at: Date;
}
/** An address at which somebody's calendar reads what is booked. */
export interface CalendarLinkRow {
	tokenHash: string;
	workshopId: string;
	userId: string;
	/** What reads there: "telephone". */
	reader: string;
	madeAt: Date;
	readAt: Date | null;
}
/** A look before the visit: what an owner played into a telephone, what it told, and whether that was agreed. */
export interface TelephoneLookRow {
	id: string;
	workshopId: string;
	instrumentId: string;
	/** Who asked for it; null once that account is erased. */
	userId: string | null;
	/** Null once the address leads nowhere any more. */
	tokenHash: string | null;
	madeAt: Date;
	endsAt: Date;
	heardAt: Date | null;
	heard: readonly HeardNote[] | null;
	told: TelephoneTold | null;
	agreedAt: Date | null;
	agreedBy: string;
}
export interface InstrumentRow extends Deletion {
	id: string;
	workshopId: string;
	locationId: string | null;
	/** Whose it is: a contact. */
	ownerId: string | null;
	/** Since when it is laid aside: kept with its history, and no longer looked after. */
	archivedAt: Date | null;
	name: string;
	kind: InstrumentKind;
	maker: string;
	madeIn: number | null;
	lowest: number;
	highest: number;
	usualA4: number;
	notes: string;
	/** How it is strung, where somebody has said so. */
	stringing: Stringing | null;
	/** Of free reeds: which note each of them is. */
	reeds: ReedSet | null;
	/** Of strings over frets. */
	neck: Neck | null;
	twin: InstrumentTwin | ReedTwin | NeckTwin;
	/** Rises with every change of what people write of it. */
	version: number;
	createdAt: Date;
	/** Where it stands in the register, and what it is found by: see `shelf`. */
	shelf: string;
	sought: string;
}
/** Who plays with whom. */
export interface EnsembleRow {
	id: string;
	workshopId: string;
	name: string;
	members: Ensemble['members'];
	version: number;
	changedAt: Date;
}
export interface TemperamentRow {
	id: string;
	/** null for the library that every workshop shares. */
	workshopId: string | null;
	slug: string;
	name: string;
	tuning: Tuning;
	about: TemperamentAbout;
	/** Rises with every change. */
	version: number;
}
/** A temperament's description. */
export type TemperamentAbout = Pick<Temperament, 'family' | 'uses' | 'period' | 'character' | 'goodFor' | 'source'>;
export interface VisitRow extends Deletion {
	id: string;
	workshopId: string;
	instrumentId: string;
	temperamentId: string;
	a4: number;
	tolerance: number;
	/** The curve that was taken, or what leads one drawn afresh; neither: none. */
	curveId: string | null;
	curveLead: PriorityId | null;
	stage: Stage;
	/** Rises with every writing to the visit. */
	seq: number;
	note: string;
	startedAt: Date;
	finishedAt: Date | null;
	startedBy: string | null;
}
/** The number of a visit that goes on in another. */
export interface VisitAliasRow {
	id: string;
	visitId: string;
}
/** A reading but for its partials; sounders as text, parted by commas. */
export type ReadingRow = Omit<Reading, 'at' | 'sounders'> & {
	workshopId: string;
	visitId: string;
	sounders: string;
	takenAt: Date;
	/** When the server says that it happened. */
	placedAt: Date;
	/** Rises with every writing to the visit. */
	seq: number;
	/** Of what was sent; null for readings from before it was kept. */
	hash: string | null;
};
/** A photo or a sound of a visit, as its bytes. */
export interface AttachmentRow {
	visitId: string;
	id: string;
	workshopId: string;
	type: string;
	bytes: Buffer;
	/** Of the bytes. */
	hash: string;
	addedAt: Date;
}
export interface ReadingPartialsRow {
	visitId: string;
	readingId: string;
	partials: StoredPartial[];
}
export interface ActRow {
	visitId: string;
	id: string;
	workshopId: string;
	kind: Act['do'];
	device: string;
	counter: number;
	doneAt: Date;
	placedAt: Date;
	seq: number;
	/** What it concerns, to be found by; the act itself says it too. */
	sounders: string | null;
	readingId: string | null;
	/** What the act says besides. */
	act: Record<string, unknown>;
	hash: string | null;
}
export interface PlanVersionRow extends PlanVersion {
	workshopId: string;
	visitId: string;
	madeAt: Date;
}
/** A sounder in a visit, as the report has it. */
export interface VisitSounderRow {
	visitId: string;
	sounder: SounderId;
	workshopId: string;
	groupNumber: number;
	found: Figure | null;
	leftAs: Acceptance | null;
}
/** The newest reading of a sounder by itself that told its inharmonicity. */
export interface InstrumentSounderRow {
	instrumentId: string;
	sounder: SounderId;
	workshopId: string;
	visitId: string;
	readingId: string;
	readAt: Date;
	pitch: number;
	pitchError: number | null;
	inharmonicity: number;
	inharmonicityError: number | null;
	/** What the strike before told. */
	beforeInharmonicity: number | null;
	beforeInharmonicityError: number | null;
}
/** An instrument as its last finished visit left it. */
export interface InstrumentSummaryRow {
	instrumentId: string;
	workshopId: string;
	visitId: string;
	finishedAt: Date;
	/** A4 in Hz as it was left; null when it was not measured. */
	a4Left: number | null;
}
/** What a visit came to; cents are from the instrument's usual pitch. */
export interface VisitSummary {
	readonly a4Left: number | undefined;
	readonly found: number | undefined;
	readonly left: number | undefined;
	readonly notesSet: number;
	readonly movedMean: number | undefined;
	readonly sections: readonly SectionSummary<SectionId>[];
}
/** What a visit came to, and what that rests on: made anew when the visit or its instrument has changed since. */
export interface VisitSummaryRow {
	visitId: string;
	instrumentId: string;
	/** Of the visit, when it was made. */
	seq: number;
	basis: string;
	summary: VisitSummary;
}
export interface SimulatedPinsRow {
	visitId: string;
	/** Strings that the simulated instrument's lever has moved, by group. */
	moved: Record<string, PinnedString[]>;
	/** When each group was moved last, in milliseconds since 1970. */
	stamps: Record<string, number> | null;
	/** Of the visit, when they were written. */
	seq: number;
}
/** An octave that somebody counted. */
export type CountedOctaveRow = Omit<CountedOctave, 'stretch'> &
	StretchColumns & { id: string; workshopId: string; countedAt: Date };
/** A tuning curve as it was taken for a visit. */
export type TuningCurveRow = KeptCurve & { workshopId: string; instrumentId: string };
/** A version of an instrument's table of strings. */
export interface StringTableRow {
	id: string;
	workshopId: string;
	instrumentId: string;
	savedAt: Date;
	strings: StringLine[];
}
/** A measured partial without its units' types: rows come from outside. */
export interface StoredPartial {
	partial: number;
	frequency: number;
	error: number;
	level: number;
	/** Seconds to 1/e; null when it did not fall. */
	decay?: number | null;
}
