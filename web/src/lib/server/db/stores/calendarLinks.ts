import type { Transaction } from 'sequelize';
import { database } from '../connection';
import type { CalendarLinkRow } from '../rows';

/** Addresses at which somebody's calendar may read, the newest first. */
export async function calendarLinksOf(userId: string): Promise<CalendarLinkRow[]> {
	const rows = await database().models.calendarLinks.findAll({ where: { userId }, order: [['madeAt', 'DESC']] });
	return rows.map((row) => row.get());
}

export async function saveCalendarLink(link: CalendarLinkRow, transaction: Transaction): Promise<void> {
	await database().models.calendarLinks.create(link, { transaction });
}

/** Whose bookings are read at an address; notes that they were. An account that was deleted has none. */
export async function readCalendarLink(tokenHash: string): Promise<CalendarLinkRow | undefined> {
	const { calendarLinks, users } = database().models;
	const row = await calendarLinks.findOne({ where: { tokenHash } });
	if (!row || !(await users.findOne({ where: { id: row.get().userId }, attributes: ['id'] }))) return undefined;
	await calendarLinks.update({ readAt: new Date() }, { where: { tokenHash } });
	return row.get();
}

/** @param begins how its hash begins @returns whether there was one */
export async function endCalendarLink(userId: string, begins: string, transaction: Transaction): Promise<boolean> {
	const all = await database().models.calendarLinks.findAll({ where: { userId }, transaction });
	const row = all.find((each) => each.get().tokenHash.startsWith(begins));
	if (!row) return false;
	await row.destroy({ transaction });
	return true;
}
