import { drillOf, reachedIn } from '@fendrel/core';
import type { SentSitting } from '$lib/practice/sittingFormat';
import { isDuplicate } from '../db/faults';
import { getSitting, writeSitting } from '../db/stores/sittings';
import { inTransaction } from '../db/transaction';

/** What has become of a sitting that was sent. */
export type Kept = 'kept' | 'not yours';

/** No sitting has waited longer on a device, in milliseconds. */
const WAITED_MOST = 400 * 86_400_000;

/** When a sitting began by the server's clock: a device's may be wrong, or was set in the midst of it. */
export function beganBy(now: number, { beganAt, sentAt }: Pick<SentSitting, 'beganAt' | 'sentAt'>): Date {
	const began = Date.parse(beganAt);
	if (!sentAt) return new Date(Math.min(began, now));
	const ago = Date.parse(sentAt) - began;
	return new Date(ago >= 0 && ago < WAITED_MOST ? now - ago : now);
}

/**
 * Keeps a sitting, again and again while it goes on: of two that arrive the longer one stays, so that nothing that was answered is
 * lost when an old one comes late. When it began stays as it was said first.
 */
export async function keepSitting(userId: string, id: string, sent: SentSitting): Promise<Kept> {
	const { drill: name, register, trials } = sent;
	const drill = drillOf(name)!;
	const { isGuessed } = reachedIn(
		drill,
		drill.registers.find((each) => each.id === register)!,
		trials
	);
	const beganAt = beganBy(Date.now(), sent);
	const row = { id, userId, drill: name, register, trials, beganAt, isGuessed };
	try {
		return await inTransaction(async (transaction) => {
			const there = await getSitting(id, transaction);
			if (there && there.userId !== userId) return 'not yours';
			if (!there || there.trials.length < trials.length)
				await writeSitting({ ...row, beganAt: there?.beganAt ?? beganAt }, transaction);
			return 'kept';
		});
	} catch (fault) {
		// Sent twice at once: the other one is there now.
		if (isDuplicate(fault)) return keepSitting(userId, id, sent);
		throw fault;
	}
}
