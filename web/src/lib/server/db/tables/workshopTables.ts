import { DataTypes } from 'sequelize';
import type { ChangeRow, GuestPlaceRow, ImportPartRow, InvitationRow, SessionRow, UserRow, WorkshopRow } from '../rows';
import { DELETABLE, deletion, json, key, optional, required, TIME, type Define } from './columns';

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
	users: define<UserRow>(
		'users',
		{
			id: key(),
			workshopId: required(DataTypes.UUID),
			email: required(DataTypes.STRING(190)),
			name: required(DataTypes.STRING(120)),
			role: required(DataTypes.STRING(12)),
			passwordHash: required(DataTypes.STRING(255)),
			createdAt: required(TIME),
			ear: json<UserRow>('ear', true),
			showsPractice: required(DataTypes.BOOLEAN),
			...deletion()
		},
		DELETABLE
	),
	guestPlaces: define<GuestPlaceRow>('guest_places', { userId: key(), placeId: key() }),
	invitations: define<InvitationRow>('invitations', {
		tokenHash: { type: DataTypes.CHAR(64), primaryKey: true, allowNull: false },
		workshopId: required(DataTypes.UUID),
		role: required(DataTypes.STRING(12)),
		places: json<InvitationRow>('places'),
		userId: optional(DataTypes.UUID),
		madeBy: optional(DataTypes.UUID),
		madeAt: required(TIME),
		expiresAt: required(TIME)
	}),
	importParts: define<ImportPartRow>('import_parts', {
		userId: key(),
		importId: key(),
		part: { type: DataTypes.INTEGER, primaryKey: true, allowNull: false },
		text: required(DataTypes.TEXT('long')),
		at: required(TIME)
	}),
	changes: define<ChangeRow>('changes', {
		id: key(),
		workshopId: required(DataTypes.UUID),
		userId: optional(DataTypes.UUID),
		at: required(TIME),
		what: required(DataTypes.STRING(40)),
		subjectId: optional(DataTypes.UUID),
		name: required(DataTypes.STRING(200)),
		said: json<ChangeRow>('said', true)
	}),
	sessions: define<SessionRow>('sessions', {
		tokenHash: { type: DataTypes.CHAR(64), primaryKey: true, allowNull: false },
		userId: required(DataTypes.UUID),
		createdAt: required(TIME),
		expiresAt: required(TIME),
		device: required(DataTypes.STRING(120)),
		lastAt: optional(TIME)
	})
});
