import { DataTypes } from 'sequelize';
import type {
	InstrumentRow,
	InstrumentSounderRow,
	InstrumentSummaryRow,
	StringTableRow,
	TuningCurveRow
} from '../rows';
import { DELETABLE, deletion, json, key, optional, required, TIME, type Define } from './columns';

/** Instruments, what is known of each of their strings, and what was drawn or typed for them. */
export const instrumentTables = (define: Define) => ({
	instruments: define<InstrumentRow>(
		'instruments',
		{
			id: key(),
			workshopId: required(DataTypes.UUID),
			locationId: { ...optional(DataTypes.UUID), field: 'place_id' },
			ownerId: optional(DataTypes.UUID),
			archivedAt: optional(TIME),
			name: required(DataTypes.STRING(120)),
			kind: required(DataTypes.STRING(20)),
			maker: required(DataTypes.STRING(120)),
			madeIn: optional(DataTypes.INTEGER),
			lowest: required(DataTypes.INTEGER),
			highest: required(DataTypes.INTEGER),
			usualA4: { ...required(DataTypes.DOUBLE), field: 'usual_a4' },
			notes: required(DataTypes.TEXT),
			stringing: json<InstrumentRow>('stringing', true),
			reeds: json<InstrumentRow>('reeds', true),
			neck: json<InstrumentRow>('neck', true),
			twin: json<InstrumentRow>('twin'),
			version: required(DataTypes.INTEGER),
			createdAt: required(TIME),
			shelf: required(DataTypes.STRING(300)),
			sought: required(DataTypes.STRING(380)),
			...deletion()
		},
		DELETABLE
	),
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
		inharmonicityError: optional(DataTypes.DOUBLE),
		beforeInharmonicity: optional(DataTypes.DOUBLE),
		beforeInharmonicityError: optional(DataTypes.DOUBLE)
	}),
	instrumentSummaries: define<InstrumentSummaryRow>('instrument_summaries', {
		instrumentId: key(),
		workshopId: required(DataTypes.UUID),
		visitId: required(DataTypes.UUID),
		finishedAt: required(TIME),
		a4Left: { ...optional(DataTypes.DOUBLE), field: 'a4_left' }
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
});
