import { DataTypes } from 'sequelize';
import type { LocationRow, SessionRow, UserRow, WorkshopRow } from '../rows';
import { json, key, optional, required, TIME, type Define } from './columns';

/** A workshop, who belongs to it, and where its instruments stand. */
export const workshopTables = (define: Define) => ({
	workshops: define<WorkshopRow>('workshops', {
		id: key(),
		name: required(DataTypes.STRING(120)),
		demo: required(DataTypes.BOOLEAN),
		listening: json<WorkshopRow>('listening', true),
		settings: json<WorkshopRow>('settings', true),
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
		expiresAt: required(TIME),
		device: required(DataTypes.STRING(120)),
		lastAt: optional(TIME)
	}),
	locations: define<LocationRow>('places', {
		id: key(),
		workshopId: required(DataTypes.UUID),
		name: required(DataTypes.STRING(120)),
		town: required(DataTypes.STRING(120))
	})
});
