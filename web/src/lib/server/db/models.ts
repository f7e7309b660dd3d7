import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize';
import type {
	ActRow,
	CountedOctaveRow,
	InstrumentRow,
	InstrumentSounderRow,
	InstrumentSummaryRow,
	LocationRow,
	PlanVersionRow,
	ReadingPartialsRow,
	ReadingRow,
	SessionRow,
	SimulatedPinsRow,
	StringTableRow,
	TemperamentRow,
	TuningCurveRow,
	UserRow,
	VisitAliasRow,
	VisitRow,
	VisitSounderRow,
	WorkshopRow
} from './rows';

type Table<Row extends object> = ModelStatic<Model<Row, Row>>;

export interface Models {
	readonly workshops: Table<WorkshopRow>;
	readonly users: Table<UserRow>;
	readonly sessions: Table<SessionRow>;
	readonly locations: Table<LocationRow>;
	readonly instruments: Table<InstrumentRow>;
	readonly temperaments: Table<TemperamentRow>;
	readonly visits: Table<VisitRow>;
	readonly visitAliases: Table<VisitAliasRow>;
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
			first: optional(DataTypes.TINYINT),
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
		locations: define<LocationRow>('places', {
			id: key(),
			workshopId: required(DataTypes.UUID),
			name: required(DataTypes.STRING(120)),
			town: required(DataTypes.STRING(120))
		}),
		instruments: define<InstrumentRow>('instruments', {
			id: key(),
			workshopId: required(DataTypes.UUID),
			locationId: { ...optional(DataTypes.UUID), field: 'place_id' },
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
			version: required(DataTypes.INTEGER),
			createdAt: required(TIME)
		}),
		temperaments: define<TemperamentRow>('temperaments', {
			id: key(),
			workshopId: optional(DataTypes.UUID),
			slug: required(DataTypes.STRING(60)),
			name: required(DataTypes.STRING(120)),
			tuning: json<TemperamentRow>('tuning'),
			about: json<TemperamentRow>('about'),
			version: required(DataTypes.INTEGER)
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
		visitAliases: define<VisitAliasRow>('visit_aliases', { id: key(), visitId: required(DataTypes.UUID) }),
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
			moved: json<SimulatedPinsRow>('moved'),
			stamps: json<SimulatedPinsRow>('stamps', true),
			seq: required(DataTypes.INTEGER)
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
