import type { ListeningHabits } from '@fendrel/core';
import type { Settings } from '$lib/settings/settings';
import type { Who } from '../auth/session';
import { habitsOf, keepHabits, keepSettings, settingsOf } from '../db/stores/accounts';
import { difference, noteChange } from '../db/stores/changes';
import { inTransaction } from '../db/transaction';

/** Keeps what the workshop decides for its visits, and says in the trail what it decided otherwise. */
export function keepSettingsOf(who: Who, settings: Settings): Promise<void> {
	return inTransaction(async (transaction) => {
		const said = difference(await settingsOf(who.workshopId, transaction), settings);
		await keepSettings(who.workshopId, settings, transaction);
		if (said) await noteChange(who, { what: 'settings changed', subjectId: null, name: '', said }, transaction);
	});
}

/** Keeps how the workshop listens; null: as usual. */
export function keepHabitsOf(who: Who, habits: ListeningHabits | null): Promise<void> {
	return inTransaction(async (transaction) => {
		const said = difference((await habitsOf(who.workshopId, transaction)) ?? {}, habits ?? {});
		await keepHabits(who.workshopId, habits, transaction);
		if (said) await noteChange(who, { what: 'listening changed', subjectId: null, name: '', said }, transaction);
	});
}
