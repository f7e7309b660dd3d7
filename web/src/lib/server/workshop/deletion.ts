import { A4 } from '@fendrel/core';
import { subDays } from 'date-fns';
import type { Transaction } from 'sequelize';
import { KEPT_DAYS, type Deletable } from '$lib/workshop/deletable';
import type { Who } from '../auth/session';
import { isDuplicate } from '../db/faults';
import { endSessionsOf } from '../db/stores/accounts';
import { forgetName, noteChange } from '../db/stores/changes';
import { eraseRow, lockDeleted, markDeleted, ofVisit, outlived, unmark } from '../db/stores/deletions';
import { lockInstrument } from '../db/stores/instruments';
import { lockOwners } from '../db/stores/people';
import { lockVisit } from '../db/stores/record';
import { refreshInstrumentSounders, refreshInstrumentSummary } from '../db/stores/summaries';
import { inTransaction } from '../db/transaction';
import { log } from '../log';

/*
 * Deleting, bringing back for a month, erasing. What is deleted is unseen everywhere, and what devices still send for it is refused
 * with that reason, so that nothing is lost when it comes back.
 */

/** Why it could not be done; undefined: it is done. */
export type Refusal = string | undefined;

const GONE = 'It is not there any more.';
const OWN = 'You cannot delete your own account. Another owner can.';
export const LAST_OWNER = 'The workshop needs an owner. Make somebody else one first.';

/** What the kept summaries say of an instrument, without its deleted visits. */
async function withoutDeleted(instrumentId: string, transaction: Transaction): Promise<void> {
	await refreshInstrumentSounders(instrumentId, 'all', transaction);
	await refreshInstrumentSummary(instrumentId, A4, transaction);
}

/** Deletes an instrument with its visits. */
export function deleteInstrument(who: Who, id: string): Promise<Refusal> {
	return inTransaction(async (transaction) => {
		const instrument = await lockInstrument(who.workshopId, id, transaction);
		if (!instrument) return GONE;
		// The same moment: what was deleted with it comes back with it.
		const by = { userId: who.userId, at: new Date() };
		await markDeleted('instrument', { id }, by, transaction);
		await markDeleted('visit', { instrumentId: id } as never, by, transaction);
		await noteChange(who, { what: 'instrument deleted', subjectId: id, name: instrument.name }, transaction);
		return undefined;
	});
}

export function deleteVisit(who: Who, id: string): Promise<Refusal> {
	return inTransaction(async (transaction) => {
		const visit = await lockVisit(who.workshopId, id, transaction);
		if (!visit) return GONE;
		await markDeleted('visit', { id: visit.id }, { userId: who.userId, at: new Date() }, transaction);
		await withoutDeleted(visit.instrumentId, transaction);
		await noteChange(who, await ofVisit(visit, 'visit deleted', transaction), transaction);
		return undefined;
	});
}

/** Deletes an account: it is signed out everywhere, and what it made stays. */
export function deleteUser(who: Who, user: { readonly id: string; readonly name: string }): Promise<Refusal> {
	if (user.id === who.userId) return Promise.resolve(OWN);
	return inTransaction(async (transaction) => {
		const owners = await lockOwners(who.workshopId, transaction);
		if (owners.length === 1 && owners[0] === user.id) return LAST_OWNER;
		const { workshopId } = who;
		const by = { userId: who.userId, at: new Date() };
		if (!(await markDeleted('user', { id: user.id, workshopId }, by, transaction))) return GONE;
		await endSessionsOf(user.id, { but: '' }, transaction);
		await noteChange(who, { what: 'user deleted', subjectId: user.id, name: user.name }, transaction);
		return undefined;
	});
}

/** Brings back what was deleted, with what was deleted with it. */
export async function bringBack(who: Who, kind: Deletable, id: string): Promise<Refusal> {
	try {
		return await inTransaction((transaction) => BRING_BACK[kind](who, id, transaction));
	} catch (fault) {
		if (!isDuplicate(fault)) throw fault;
		return kind === 'instrument'
			? 'There is another instrument of that name by now. Give that one another name first.'
			: 'Another visit of this instrument is open by now. Finish that one first.';
	}
}

const BRING_BACK: Record<Deletable, (who: Who, id: string, transaction: Transaction) => Promise<Refusal>> = {
	async instrument(who, id, transaction) {
		const row = await lockDeleted('instrument', who.workshopId, id, transaction);
		if (!row) return GONE;
		await unmark('instrument', { id }, transaction);
		await unmark('visit', { instrumentId: id, deletedAt: row.deletedAt } as never, transaction);
		await noteChange(who, { what: 'instrument brought back', subjectId: id, name: row.name }, transaction);
		return undefined;
	},
	async visit(who, id, transaction) {
		const row = await lockDeleted('visit', who.workshopId, id, transaction);
		if (!row) return GONE;
		if (!(await lockInstrument(who.workshopId, row.instrumentId, transaction)))
			return 'Its instrument is deleted too. Bring the instrument back first.';
		await unmark('visit', { id }, transaction);
		await withoutDeleted(row.instrumentId, transaction);
		await noteChange(who, await ofVisit(row, 'visit brought back', transaction), transaction);
		return undefined;
	},
	async user(who, id, transaction) {
		const row = await lockDeleted('user', who.workshopId, id, transaction);
		if (!row) return GONE;
		await unmark('user', { id }, transaction);
		await noteChange(who, { what: 'user brought back', subjectId: id, name: row.name }, transaction);
		return undefined;
	}
};

/** Erases for good what is deleted. @param who null: Fendrel itself, when its time is over */
export function erase(
	{ workshopId, userId }: { readonly workshopId: string; readonly userId: string | null },
	kind: Deletable,
	id: string
): Promise<Refusal> {
	return inTransaction(async (transaction) => {
		const row = await lockDeleted(kind, workshopId, id, transaction);
		if (!row) return GONE;
		const noted =
			'startedAt' in row
				? await ofVisit(row, 'visit erased', transaction)
				: { what: `${kind as 'instrument' | 'user'} erased` as const, subjectId: id, name: row.name };
		await eraseRow(kind, id, transaction);
		if (kind === 'user') await forgetName(workshopId, id, transaction);
		await noteChange({ workshopId, userId }, kind === 'user' ? { ...noted, name: '' } : noted, transaction);
		return undefined;
	});
}

/** So many at once: nobody waits long for what they hold. */
const AT_ONCE = 50;

/** Erases what was deleted longer ago than it can be brought back. @returns how many things */
export async function eraseOutlived(now = new Date()): Promise<number> {
	let erased = 0;
	for (const kind of ['visit', 'instrument', 'user'] as const) {
		for (;;) {
			const old = await outlived(kind, subDays(now, KEPT_DAYS), AT_ONCE);
			for (const { id, workshopId } of old) await erase({ workshopId, userId: null }, kind, id);
			erased += old.length;
			if (old.length < AT_ONCE) break;
		}
	}
	if (erased) log.info({ erased }, 'erased what had been deleted for a month');
	return erased;
}
