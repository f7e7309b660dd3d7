import { DataTypes } from 'sequelize';
import type {
	PlanVersionRow,
	SimulatedPinsRow,
	VisitAliasRow,
	VisitRow,
	VisitSounderRow,
	VisitSummaryRow
} from '../rows';
import { DELETABLE, deletion, json, key, optional, required, TIME, type Define } from './columns';

/** Visits: their plans, and what they have come to. */
export const visitTables = (define: Define) => ({
	visits: define<VisitRow>(
		'visits',
		{
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
			startedBy: optional(DataTypes.UUID),
			...deletion()
		},
		DELETABLE
	),
	visitAliases: define<VisitAliasRow>('visit_aliases', { id: key(), visitId: required(DataTypes.UUID) }),
	planVersions: define<PlanVersionRow>('plan_versions', {
		id: key(),
		workshopId: required(DataTypes.UUID),
		visitId: required(DataTypes.UUID),
		madeAt: required(TIME),
		a4: required(DataTypes.DOUBLE),
		temperamentId: required(DataTypes.UUID),
		tolerance: required(DataTypes.DOUBLE),
		curveId: optional(DataTypes.UUID),
		lead: optional(DataTypes.STRING(20)),
		raise: json<PlanVersionRow>('raise', true),
		touch: json<PlanVersionRow>('touch', true),
		order: json<PlanVersionRow>('order', true),
		intonation: json<PlanVersionRow>('intonation', true),
		frets: json<PlanVersionRow>('frets', true)
	}),
	visitSounders: define<VisitSounderRow>('visit_sounders', {
		visitId: key(),
		sounder: { type: DataTypes.STRING(40), primaryKey: true, allowNull: false },
		workshopId: required(DataTypes.UUID),
		groupNumber: required(DataTypes.INTEGER),
		found: json<VisitSounderRow>('found', true),
		leftAs: json<VisitSounderRow>('leftAs', true)
	}),
	visitSummaries: define<VisitSummaryRow>('visit_summaries', {
		visitId: key(),
		instrumentId: required(DataTypes.UUID),
		seq: required(DataTypes.INTEGER),
		basis: required(DataTypes.CHAR(64)),
		summary: json<VisitSummaryRow>('summary')
	}),
	simulatedPins: define<SimulatedPinsRow>('simulated_pins', {
		visitId: key(),
		moved: json<SimulatedPinsRow>('moved'),
		stamps: json<SimulatedPinsRow>('stamps', true),
		seq: required(DataTypes.INTEGER)
	})
});
