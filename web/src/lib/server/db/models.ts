import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize';
import type { CountedOctave } from '$lib/counts/schema';
import type { StringLine } from '$lib/instruments/scale/schema';
import type { KeptCurve } from '$lib/tuning/curve';
import type { StretchColumns } from '$lib/tuning/stretch';
import type {
	Acceptance,
	Act,
	Figure,
	InstrumentTwin,
	ListeningHabits,
	PlanVersion,
	PriorityId,
	Reading,
	SounderId,
	StringKind,
	Stringing,
	Temperament,
	Tuning
} from '@fendrel/core';

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
	/** How it is strung, where somebody has said so. */
	stringing: Stringing | null;
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
	/** The curve that was taken, or what leads one drawn afresh; neither: none. */
	curveId: string | null;
	curveLead: PriorityId | null;
	stage: 'sound' | 'plan' | 'set' | 'close';
	/** Rises with every writing to the visit. */
	seq: number;
	note: string;
	startedAt: Date;
	finishedAt: Date | null;
	startedBy: string | null;
}
/** A reading but for its partials; sounders as text, parted by commas. */
export type ReadingRow = Omit<Reading, 'way' | 'at' | 'sounders'> & {
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
export interface SimulatedPinsRow {
	visitId: string;
	/** Strings that the simulated instrument's lever has moved, by group. */
	moved: Record<string, { pin: number; speaking: number }[]>;
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
	readonly readingPartials: Table<ReadingPartialsRow>;
	readonly acts: Table<ActRow>;
	readonly planVersions: Table<PlanVersionRow>;
	readonly visitSounders: Table<VisitSounderRow>;
	readonly instrumentSounders: Table<InstrumentSounderRow>;
	readonly instrumentSummaries: Table<InstrumentSummaryRow>;
	readonly simulatedPins: Table<SimulatedPinsRow>;
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

/** Made anew for each column: Sequelize writes into what it is given. */
const key = () => ({ type: DataTypes.UUID, primaryKey: true, allowNull: false });
const required = (type: ModelAttributes[string]) => ({ type: type as never, allowNull: false });
const optional = (type: ModelAttributes[string]) => ({ type: type as never, allowNull: true });
const TIME = DataTypes.DATE(3);

export function defineModels(sequelize: Sequelize): Models {
	const define = <Row extends object>(name: string, attributes: Record<keyof Row & string, unknown>) =>
		sequelize.define(name, attributes as ModelAttributes) as unknown as Table<Row>;
	return {
		workshops: define<WorkshopRow>('workshops', {
			id: key(),
			name: required(DataTypes.STRING(120)),
			demo: required(DataTypes.BOOLEAN),
			listening: json<WorkshopRow>('listening', true),
			createdAt: required(TIME)
		}),
		users: define<UserRow>('users', {
			id: key(),
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
			id: key(),
			workshopId: required(DataTypes.UUID),
			name: required(DataTypes.STRING(120)),
			town: required(DataTypes.STRING(120))
		}),
		instruments: define<InstrumentRow>('instruments', {
			id: key(),
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
			stringing: json<InstrumentRow>('stringing', true),
			twin: json<InstrumentRow>('twin'),
			createdAt: required(TIME)
		}),
		temperaments: define<TemperamentRow>('temperaments', {
			id: key(),
			workshopId: optional(DataTypes.UUID),
			slug: required(DataTypes.STRING(60)),
			name: required(DataTypes.STRING(120)),
			tuning: json<TemperamentRow>('tuning'),
			about: json<TemperamentRow>('about')
		}),
		visits: define<VisitRow>('visits', {
			id: key(),
			workshopId: required(DataTypes.UUID),
			instrumentId: required(DataTypes.UUID),
			temperamentId: required(DataTypes.UUID),
			a4: required(DataTypes.DOUBLE),
			tolerance: required(DataTypes.DOUBLE),
			curveId: optional(DataTypes.UUID),
			curveLead: optional(DataTypes.STRING(20)),
			stage: required(DataTypes.STRING(10)),
			seq: required(DataTypes.INTEGER),
			note: required(DataTypes.TEXT),
			startedAt: required(TIME),
			finishedAt: optional(TIME),
			startedBy: optional(DataTypes.UUID)
		}),
		readings: define<ReadingRow>('readings', {
			visitId: key(),
			id: key(),
			workshopId: required(DataTypes.UUID),
			sounders: required(DataTypes.STRING(200)),
			device: required(DataTypes.UUID),
			counter: required(DataTypes.INTEGER),
			takenAt: required(TIME),
			placedAt: required(TIME),
			seq: required(DataTypes.INTEGER),
			hash: optional(DataTypes.CHAR(64)),
			source: required(DataTypes.STRING(12)),
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
			spreadError: optional(DataTypes.DOUBLE)
		}),
		readingPartials: define<ReadingPartialsRow>('reading_partials', {
			visitId: key(),
			readingId: key(),
			partials: json<ReadingPartialsRow>('partials')
		}),
		acts: define<ActRow>('acts', {
			visitId: key(),
			id: key(),
			workshopId: required(DataTypes.UUID),
			kind: required(DataTypes.STRING(12)),
			device: required(DataTypes.UUID),
			counter: required(DataTypes.INTEGER),
			doneAt: required(TIME),
			placedAt: required(TIME),
			seq: required(DataTypes.INTEGER),
			sounders: optional(DataTypes.STRING(200)),
			readingId: optional(DataTypes.UUID),
			act: json<ActRow>('act'),
			hash: optional(DataTypes.CHAR(64))
		}),
		planVersions: define<PlanVersionRow>('plan_versions', {
			id: key(),
			workshopId: required(DataTypes.UUID),
			visitId: required(DataTypes.UUID),
			madeAt: required(TIME),
			a4: required(DataTypes.DOUBLE),
			temperamentId: required(DataTypes.UUID),
			tolerance: required(DataTypes.DOUBLE),
			curveId: optional(DataTypes.UUID),
			lead: optional(DataTypes.STRING(20))
		}),
		visitSounders: define<VisitSounderRow>('visit_sounders', {
			visitId: key(),
			sounder: { type: DataTypes.STRING(40), primaryKey: true, allowNull: false },
			workshopId: required(DataTypes.UUID),
			groupNumber: required(DataTypes.INTEGER),
			found: json<VisitSounderRow>('found', true),
			leftAs: json<VisitSounderRow>('leftAs', true)
		}),
		instrumentSounders: define<InstrumentSounderRow>('instrument_sounders', {
			instrumentId: key(),
			sounder: { type: DataTypes.STRING(40), primaryKey: true, allowNull: false },
			workshopId: required(DataTypes.UUID),
			visitId: required(DataTypes.UUID),
			readingId: required(DataTypes.UUID),
			readAt: required(TIME),
			pitch: required(DataTypes.DOUBLE),
			pitchError: optional(DataTypes.DOUBLE),
			inharmonicity: required(DataTypes.DOUBLE),
			inharmonicityError: optional(DataTypes.DOUBLE)
		}),
		instrumentSummaries: define<InstrumentSummaryRow>('instrument_summaries', {
			instrumentId: key(),
			workshopId: required(DataTypes.UUID),
			visitId: required(DataTypes.UUID),
			finishedAt: required(TIME),
			a4Left: { ...optional(DataTypes.DOUBLE), field: 'a4_left' }
		}),
		simulatedPins: define<SimulatedPinsRow>('simulated_pins', {
			visitId: key(),
			moved: json<SimulatedPinsRow>('moved')
		}),
		countedOctaves: define<CountedOctaveRow>('counted_octaves', {
			id: key(),
			workshopId: required(DataTypes.UUID),
			instrumentId: optional(DataTypes.UUID),
			kind: required(DataTypes.STRING(20)),
			temperamentId: required(DataTypes.UUID),
			a4: required(DataTypes.DOUBLE),
			curveId: optional(DataTypes.UUID),
			curveLead: optional(DataTypes.STRING(20)),
			low: required(DataTypes.INTEGER),
			reference: required(DataTypes.INTEGER),
			ear: required(DataTypes.STRING(20)),
			counts: json<CountedOctaveRow>('counts'),
			verdict: required(DataTypes.STRING(300)),
			countedAt: required(TIME)
		}),
		tuningCurves: define<TuningCurveRow>('tuning_curves', {
			id: key(),
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
			id: key(),
			workshopId: required(DataTypes.UUID),
			instrumentId: required(DataTypes.UUID),
			savedAt: required(TIME),
			strings: json<StringTableRow>('strings')
		})
	};
}
