import { QueryTypes } from 'sequelize';
import type { Holdings } from '$lib/workshop/holdings';
import { database } from '../connection';

export async function holdingsOf(workshopId: string): Promise<Holdings> {
	const count = (table: string) => `(SELECT COUNT(*) FROM ${table} WHERE workshop_id = :workshopId)`;
	const [row] = await database().sequelize.query<Record<keyof Holdings, number | string>>(
		`SELECT ${count('instruments')} AS instruments, ${count('visits')} AS visits, ${count('readings')} AS readings,
			${count('acts')} AS acts, ${count('attachments')} AS attachments, ${count('temperaments')} AS temperaments,
			${count('users')} AS people, ${count('changes')} AS changes,
			(SELECT COALESCE(SUM(LENGTH(bytes)), 0) FROM attachments WHERE workshop_id = :workshopId) AS attachmentBytes`,
		{ type: QueryTypes.SELECT, replacements: { workshopId } }
	);
	return Object.fromEntries(Object.entries(row).map(([key, value]) => [key, Number(value)])) as unknown as Holdings;
}
