import { drillOf, ThresholdSearch } from '@fendrel/core';
import type { SentSitting } from '$lib/practice/sittingFormat';
import { isDuplicate } from '../db/faults';
import { getSitting, writeSitting } from '../db/stores/sittings';
import { inTransaction } from '../db/transaction';

/** What has become of a sitting that was sent. */
export type Kept = 'kept' | 'not yours';

/**
 * Keeps a sitting, again and again while it goes on: of two that arrive the longer one stays, so that nothing that was answered is
 * lost when an old one comes late.
 */
export async function keepSitting(userId: string, id: string, sent: SentSitting): Promise<Kept> {
	const { drill, register, trials } = sent;
	const { task } = drillOf(drill)!.registers.find((each) => each.id === register)!;
	const { isGuessing } = new ThresholdSearch(task, trials);
	const row = { id, userId, drill, register, trials, beganAt: new Date(sent.beganAt), isGuessed: isGuessing };
	try {
		return await inTransaction(async (transaction) => {
			const there = await getSitting(id, transaction);
			if (there && there.userId !== userId) return 'not yours';
			if (!there || there.trials.length < trials.length) await writeSitting(row, transaction);
			return 'kept';
		});
	} catch (fault) {
		// Sent twice at once: the other one is there now.
		if (isDuplicate(fault)) return keepSitting(userId, id, sent);
		throw fault;
	}
}
