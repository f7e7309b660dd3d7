import { DataTypes } from 'sequelize';
import type {
	BookingRow,
	CalendarLinkRow,
	ContactRow,
	LocationRow,
	PlaceClimateRow,
	TelephoneLookRow,
	WayRow
} from '../rows';
import { json, key, optional, required, TIME, type Define } from './columns';

/** Where instruments stand, who is rung up, and when somebody goes there. */
export const diaryTables = (define: Define) => ({
	locations: define<LocationRow>('places', {
		id: key(),
		workshopId: required(DataTypes.UUID),
		name: required(DataTypes.STRING(120)),
		town: required(DataTypes.STRING(120)),
		address: required(DataTypes.STRING(300)),
		entry: required(DataTypes.STRING(500)),
		latitude: optional(DataTypes.DOUBLE),
		longitude: optional(DataTypes.DOUBLE),
		fromHome: optional(DataTypes.INTEGER),
		version: required(DataTypes.INTEGER)
	}),
	ways: define<WayRow>('ways', {
		workshopId: required(DataTypes.UUID),
		fromId: key(),
		toId: key(),
		minutes: required(DataTypes.INTEGER)
	}),
	placeClimate: define<PlaceClimateRow>('place_climate', {
		workshopId: required(DataTypes.UUID),
		locationId: { ...key(), field: 'place_id' },
		day: { type: DataTypes.DATEONLY, primaryKey: true, allowNull: false },
		temperature: optional(DataTypes.DOUBLE),
		humidity: optional(DataTypes.DOUBLE)
	}),
	contacts: define<ContactRow>('contacts', {
		id: key(),
		workshopId: required(DataTypes.UUID),
		locationId: { ...optional(DataTypes.UUID), field: 'place_id' },
		name: required(DataTypes.STRING(120)),
		role: required(DataTypes.STRING(120)),
		phone: required(DataTypes.STRING(60)),
		email: required(DataTypes.STRING(190)),
		note: required(DataTypes.STRING(1000)),
		version: required(DataTypes.INTEGER),
		changedAt: required(TIME)
	}),
	bookings: define<BookingRow>('bookings', {
		id: key(),
		workshopId: required(DataTypes.UUID),
		userId: required(DataTypes.UUID),
		locationId: { ...optional(DataTypes.UUID), field: 'place_id' },
		instruments: json<BookingRow>('instruments'),
		startsAt: required(TIME),
		minutes: required(DataTypes.INTEGER),
		purpose: required(DataTypes.STRING(200)),
		promised: required(DataTypes.STRING(1000)),
		seriesId: optional(DataTypes.UUID),
		version: required(DataTypes.INTEGER),
		changedAt: required(TIME)
	}),
	telephoneLooks: define<TelephoneLookRow>('telephone_looks', {
		id: key(),
		workshopId: required(DataTypes.UUID),
		instrumentId: required(DataTypes.UUID),
		userId: optional(DataTypes.UUID),
		tokenHash: optional(DataTypes.CHAR(64)),
		madeAt: required(TIME),
		endsAt: required(TIME),
		heardAt: optional(TIME),
		heard: json('heard', true),
		told: json('told', true),
		agreedAt: optional(TIME),
		agreedBy: required(DataTypes.STRING(80))
	}),
	calendarLinks: define<CalendarLinkRow>('calendar_links', {
		tokenHash: { type: DataTypes.CHAR(64), primaryKey: true, allowNull: false },
		workshopId: required(DataTypes.UUID),
		userId: required(DataTypes.UUID),
		reader: required(DataTypes.STRING(60)),
		madeAt: required(TIME),
		readAt: optional(TIME)
	})
});
