import type { DiaryGround } from '$lib/round/diary/ground';
import { mayDo } from '$lib/workshop/roles';
import type { Who } from '../auth/session';
import { listInstruments } from '../db/stores/instruments';
import { listLocations } from '../db/stores/locations';
import { usersOf } from '../db/stores/people';
import { minutesByInstrument } from '../db/stores/visits';
import { settingsOf } from '../db/stores/accounts';
import { workshopPace } from '../visits/pace';

/** Who may go where, and how long it takes there: by an instrument's own visits, else as the workshop's take. */
export async function diaryGround({ workshopId, userId }: Who): Promise<DiaryGround> {
	const settings = await settingsOf(workshopId);
	const [people, places, instruments, minutes, pace] = await Promise.all([
		usersOf(workshopId),
		listLocations(workshopId),
		listInstruments(workshopId),
		minutesByInstrument(workshopId),
		workshopPace(workshopId, settings.minutes)
	]);
	const usual = Math.round(pace.tariff.visit + pace.tariff.tuning);
	return {
		me: userId,
		people: people.filter(({ role }) => mayDo(role, 'work')).map(({ id, name }) => ({ id, name })),
		places: places.map(({ id, name, town, entry }) => ({ id, name, town, entry })),
		instruments: instruments
			.filter(({ archivedAt }) => !archivedAt)
			.map(({ id, name, locationId }) => ({
				...{ id, name, locationId },
				minutes: minutes.get(id) ?? usual
			}))
	};
}
