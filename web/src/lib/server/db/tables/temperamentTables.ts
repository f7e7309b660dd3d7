import { DataTypes } from 'sequelize';
import type { CountedOctaveRow, EnsembleRow, TemperamentRow } from '../rows';
import { json, key, optional, required, TIME, type Define } from './columns';

/** Temperaments, octaves counted by ear, and who plays together. */
export const temperamentTables = (define: Define) => ({
	temperaments: define<TemperamentRow>('temperaments', {
		id: key(),
		workshopId: optional(DataTypes.UUID),
		slug: required(DataTypes.STRING(60)),
		name: required(DataTypes.STRING(120)),
		tuning: json<TemperamentRow>('tuning'),
		about: json<TemperamentRow>('about'),
		version: required(DataTypes.INTEGER)
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
	ensembles: define<EnsembleRow>('ensembles', {
		id: key(),
		workshopId: required(DataTypes.UUID),
		name: required(DataTypes.STRING(120)),
		members: json<EnsembleRow>('members'),
		version: required(DataTypes.INTEGER),
		changedAt: required(TIME)
	})
});
