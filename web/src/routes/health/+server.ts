import { database } from '$lib/server/db/connection';
import { DATABASE_AWAY, isDatabaseAway } from '$lib/server/db/faults';

/** For the start command: the application answers, and so does its database. */
export async function GET() {
	try {
		await database().sequelize.authenticate();
		return Response.json({ state: 'ready' });
	} catch (error) {
		if (!isDatabaseAway(error)) throw error;
		return Response.json(DATABASE_AWAY, { status: 503 });
	}
}
