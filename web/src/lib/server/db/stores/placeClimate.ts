import type { ReadClimate } from '@fendrel/core';
import { QueryTypes, type Transaction } from 'sequelize';
import { database } from '../connection';

/** By place, then by day ("2026-07-14"). */
export type LoggedAir = ReadonlyMap<string, ReadonlyMap<string, ReadClimate>>;

const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10);

/** What loggers wrote at a workshop's places. */
export async function loggedAir(workshopId: string): Promise<LoggedAir> {
	const rows = await database().models.placeClimate.findAll({ where: { workshopId } });
	const air = new Map<string, Map<string, ReadClimate>>();
	for (const row of rows) {
		const { locationId, day, temperature, humidity } = row.get();
		const days = air.get(locationId) ?? new Map<string, ReadClimate>();
		const at = Date.parse(`${day}T12:00:00Z`);
		days.set(day, { at, temperature: temperature ?? undefined, humidity: humidity ?? undefined });
		air.set(locationId, days);
	}
	return air;
}

export const loggedOn = (air: LoggedAir, locationId: string | null, at: number): ReadClimate | undefined =>
	locationId ? air.get(locationId)?.get(dayOf(at)) : undefined;

/** What is known of a place's days is written over by what a logger says of them. @returns days kept */
export async function keepClimate(
	workshopId: string,
	locationId: string,
	days: readonly { readonly day: string; readonly temperature: number | null; readonly humidity: number | null }[],
	transaction: Transaction
): Promise<void> {
	await database().models.placeClimate.bulkCreate(
		days.map((day) => ({ workshopId, locationId, ...day })),
		{ updateOnDuplicate: ['temperature', 'humidity'], transaction }
	);
}

/** Days that a place's logger told, from the first to the last; undefined: none. */
export async function climateSpan(
	workshopId: string,
	locationId: string
): Promise<{ readonly days: number; readonly from: string; readonly to: string } | undefined> {
	const [row] = await database().sequelize.query<{ days: number; from: string; to: string }>(
		`SELECT COUNT(*) AS days, DATE_FORMAT(MIN(day), '%Y-%m-%d') AS \`from\`, DATE_FORMAT(MAX(day), '%Y-%m-%d') AS \`to\`
		FROM place_climate WHERE workshop_id = :workshopId AND place_id = :locationId`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, locationId } }
	);
	return Number(row.days) ? { ...row, days: Number(row.days) } : undefined;
}

export async function forgetClimate(workshopId: string, locationId: string, transaction: Transaction): Promise<void> {
	await database().models.placeClimate.destroy({ where: { workshopId, locationId }, transaction });
}
