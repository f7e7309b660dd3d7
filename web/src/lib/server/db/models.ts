import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize';
import type { CountedOctave } from '$lib/counts/schema';
import type { StringLine } from '$lib/instruments/scale/schema';
import type { KeptCurve } from '$lib/tuning/curve';
import type { InstrumentTwin, ListeningHabits, StringKind, Temperament, Tuning } from '@fendrel/core';

/** Rows as they stand in the tables; ids are UUIDs as text. */
export interface WorkshopRow {
	id: string;
	name: string;
	demo: boolean;
	/** How this workshop listens; null: as usual. */
	listening: ListeningHabits | null;
	createdAt: Date;
}
export interface UserRow {
	id: string;
	workshopId: string;
	email: string;
	name: string;
	passwordHash: string;
	createdAt: Date;
}
export interface SessionRow {
	tokenHash: string;
	userId: string;
	createdAt: Date;
	expiresAt: Date;
}
export interface PlaceRow {
	id: string;
	workshopId: string;
	name: string;
	town: string;
}
export interface InstrumentRow {
	id: string;
	workshopId: string;
	placeId: string | null;
	name: string;
	kind: StringKind;
	maker: string;
	madeIn: number | null;
	lowest: number;
	highest: number;
	usualA4: number;
	notes: string;
	twin: InstrumentTwin;
	createdAt: Date;
}
export interface TemperamentRow {
	id: string;
	/** null for the library that every workshop shares. */
	workshopId: string | null;
	slug: string;
	name: string;
	tuning: Tuning;
	about: TemperamentAbout;
}
/** A temperament's description. */
export type TemperamentAbout = Pick<Temperament, 'family' | 'uses' | 'period' | 'character' | 'goodFor' | 'source'>;
export interface VisitRow {
	id: string;
	workshopId: string;
	instrumentId: string;
	temperamentId: string;
	a4: number;
	tolerance: number;
	/** Id of a kept curve, or of the priority that leads one drawn afresh, or "none". */
	stretch: string;
	stage: 'sound' | 'plan' | 'set' | 'close';
	/** The note that is due in Set. */
	currentNote: number | null;
	/** Strings that the simulated instrument's lever has moved, by note. */
	moved: Record<string, { pin: number; speaking: number }[]>;
	note: string;
	startedAt: Date;
	finishedAt: Date | null;
	startedBy: string | null;
}
export interface ReadingRow {
	id: string;
	workshopId: string;
	visitId: string;
	note: number;
	string: 'left' | 'middle' | 'right' | 'open';
	takenAt: Date;
	source: 'microphone' | 'simulated' | 'file' | 'ear';
	accepted: boolean;
	/** Taken in Sound: how the string was found. */
	found: boolean;
	/** Pitch of the first partial and its target in Hz, and the difference in cents; null when kept by ear. */
	pitch: number | null;
	pitchError: number | null;
	target: number;
	deviation: number | null;
	fundamental: number | null;
	inharmonicity: number | null;
	inharmonicityError: number | null;
	moment: number | null;
	/** Partial that `deviation` was heard at; null: all together. */
	listened: number | null;
	/** One string's own beat, per second, and how deep; 0 when there was none to hear, null when nobody looked. */
	falseBeat: number | null;
	falseBeatDepth: number | null;
	/** Of several strings together, from the lowest to the highest, in cents. */
	spread: number | null;
	spreadError: number | null;
	partials: StoredPartial[];
}
/** An octave that somebody counted. */
export type CountedOctaveRow = CountedOctave & { id: string; workshopId: string; countedAt: Date };
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

type Table<Row extends object> = ModelStatic<Model<Row, Row>>;

export interface Models {
	readonly workshops: Table<WorkshopRow>;
	readonly users: Table<UserRow>;
	readonly sessions: Table<SessionRow>;
	readonly places: Table<PlaceRow>;
	readonly instruments: Table<InstrumentRow>;
	readonly temperaments: Table<TemperamentRow>;
	readonly visits: Table<VisitRow>;
	readonly readings: Table<ReadingRow>;
	readonly countedOctaves: Table<CountedOctaveRow>;
	readonly tuningCurves: Table<TuningCurveRow>;
	readonly stringTables: Table<StringTableRow>;
}

/**
 * MariaDB keeps JSON as text, and what a driver makes of it depends on its version: so it is text here,
 * written and read in one place.
 */
function json<Row>(key: keyof Row & string, allowNull = false) {
	return {
		type: DataTypes.TEXT('long'),
		allowNull,
		get(this: Model) {
			const text = this.getDataValue(key) as string | null;
			return typeof text === 'string' ? JSON.parse(text) : text;
		},
		set(this: Model, value: unknown) {
			this.setDataValue(key, JSON.stringify(value));
		}
	};
}

const id = { type: DataTypes.UUID, primaryKey: true, allowNull: false };
const required = (type: ModelAttributes[string]) => ({ type: type as never, allowNull: false });
const optional = (type: ModelAttributes[string]) => ({ type: type as never, allowNull: true });
const TIME = DataTypes.DATE(3);

export function defineModels(sequelize: Sequelize): Models {
	const define = <Row extends object>(name: string, attributes: Record<keyof Row & string, unknown>) =>
		sequelize.define(name, attributes as ModelAttributes) as unknown as Table<Row>;
	return {
		workshops: define<WorkshopRow>('workshops', {
			id,
			name: required(DataTypes.STRING(120)),
			demo: required(DataTypes.BOOLEAN),
			listening: json<WorkshopRow>('listening', true),
			createdAt: required(TIME)
		}),
		users: define<UserRow>('users', {
			id,
			workshopId: required(DataTypes.UUID),
			email: required(DataTypes.STRING(190)),
			name: required(DataTypes.STRING(120)),
			passwordHash: required(DataTypes.STRING(255)),
			createdAt: required(TIME)
		}),
		sessions: define<SessionRow>('sessions', {
			tokenHash: { type: DataTypes.CHAR(64), primaryKey: true, allowNull: false },
			userId: required(DataTypes.UUID),
			createdAt: required(TIME),
			expiresAt: required(TIME)
		}),
		places: define<PlaceRow>('places', {
			id,
			workshopId: required(DataTypes.UUID),
			name: required(DataTypes.STRING(120)),
			town: required(DataTypes.STRING(120))
		}),
		instruments: define<InstrumentRow>('instruments', {
			id,
			workshopId: required(DataTypes.UUID),
			placeId: optional(DataTypes.UUID),
			name: required(DataTypes.STRING(120)),
			kind: required(DataTypes.STRING(20)),
			maker: required(DataTypes.STRING(120)),
			madeIn: optional(DataTypes.INTEGER),
			lowest: required(DataTypes.INTEGER),
			highest: required(DataTypes.INTEGER),
			usualA4: { ...required(DataTypes.DOUBLE), field: 'usual_a4' },
			notes: required(DataTypes.TEXT),
			twin: json<InstrumentRow>('twin'),
			createdAt: required(TIME)
		}),
		temperaments: define<TemperamentRow>('temperaments', {
			id,
			workshopId: optional(DataTypes.UUID),
			slug: required(DataTypes.STRING(60)),
			name: required(DataTypes.STRING(120)),
			tuning: json<TemperamentRow>('tuning'),
			about: json<TemperamentRow>('about')
		}),
		visits: define<VisitRow>('visits', {
			id,
			workshopId: required(DataTypes.UUID),
			instrumentId: required(DataTypes.UUID),
			temperamentId: required(DataTypes.UUID),
			a4: required(DataTypes.DOUBLE),
			tolerance: required(DataTypes.DOUBLE),
			stretch: required(DataTypes.STRING(40)),
			stage: required(DataTypes.STRING(10)),
			currentNote: optional(DataTypes.INTEGER),
			moved: json<VisitRow>('moved'),
			note: required(DataTypes.TEXT),
			startedAt: required(TIME),
			finishedAt: optional(TIME),
			startedBy: optional(DataTypes.UUID)
		}),
		readings: define<ReadingRow>('readings', {
			id,
			workshopId: required(DataTypes.UUID),
			visitId: required(DataTypes.UUID),
			note: required(DataTypes.INTEGER),
			string: required(DataTypes.STRING(10)),
			takenAt: required(TIME),
			source: required(DataTypes.STRING(12)),
			accepted: required(DataTypes.BOOLEAN),
			found: required(DataTypes.BOOLEAN),
			pitch: optional(DataTypes.DOUBLE),
			pitchError: optional(DataTypes.DOUBLE),
			target: required(DataTypes.DOUBLE),
			deviation: optional(DataTypes.DOUBLE),
			fundamental: optional(DataTypes.DOUBLE),
			inharmonicity: optional(DataTypes.DOUBLE),
			inharmonicityError: optional(DataTypes.DOUBLE),
			moment: optional(DataTypes.DOUBLE),
			listened: optional(DataTypes.INTEGER),
			falseBeat: optional(DataTypes.DOUBLE),
			falseBeatDepth: optional(DataTypes.DOUBLE),
			spread: optional(DataTypes.DOUBLE),
			spreadError: optional(DataTypes.DOUBLE),
			partials: json<ReadingRow>('partials')
		}),
		countedOctaves: define<CountedOctaveRow>('counted_octaves', {
			id,
			workshopId: required(DataTypes.UUID),
			instrumentId: optional(DataTypes.UUID),
			kind: required(DataTypes.STRING(20)),
			temperamentId: required(DataTypes.UUID),
			a4: required(DataTypes.DOUBLE),
			stretch: required(DataTypes.STRING(40)),
			low: required(DataTypes.INTEGER),
			reference: required(DataTypes.INTEGER),
			ear: required(DataTypes.STRING(20)),
			counts: json<CountedOctaveRow>('counts'),
			verdict: required(DataTypes.STRING(300)),
			countedAt: required(TIME)
		}),
		tuningCurves: define<TuningCurveRow>('tuning_curves', {
			id,
			workshopId: required(DataTypes.UUID),
			instrumentId: required(DataTypes.UUID),
			visitId: optional(DataTypes.UUID),
			madeAt: required(TIME),
			wish: json<TuningCurveRow>('wish'),
			lowest: required(DataTypes.INTEGER),
			deviations: json<TuningCurveRow>('deviations'),
			notesRead: required(DataTypes.INTEGER)
		}),
		stringTables: define<StringTableRow>('string_tables', {
			id,
			workshopId: required(DataTypes.UUID),
			instrumentId: required(DataTypes.UUID),
			savedAt: required(TIME),
			strings: json<StringTableRow>('strings')
		})
	};
}
