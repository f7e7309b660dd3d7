import type { SounderId } from '@fendrel/core';
import type { Transaction } from 'sequelize';
import { NIL } from 'uuid';
import type { z } from 'zod';
import { FORMAT, FORMER_FORMAT, idOf, type Answer } from '$lib/handover/format';
import { formerItemSchema, type FormerItem } from '$lib/handover/formerRecord';
import { itemSchema, type batchSchema, type Item } from '$lib/handover/record';
import { database } from '../db/connection';
import { isDatabaseAway } from '../db/faults';
import {
	addActs,
	addReadings,
	lockVisit,
	placedAround,
	raiseSeq,
	setPins,
	soundersOf,
	soundersRestingOn,
	storedHashes
} from '../db/stores/record';
import { log } from '../log';
import { asPresent, type Incoming } from './former';
import { keepSummaries } from './keep';
import { hashOf, rowsOf, type Placing } from './rows';

/** Clocks that differ by less are one. */
const SAME_CLOCK_MS = 2000;
const NO_VISIT = 'There is no such visit in this workshop. It may belong to another: sign in there and send it again.';
const UNSTORED = 'The database would not take it.';
const OTHER = 'Something else is stored under its number already.';

type Sent = Item | FormerItem;
/**
 * Takes in what a device hands over. Each item gets an answer of its own: one that is refused holds up no other. Sending
 * twice stores once; a finished visit still takes what comes late.
 */
export async function takeIn(workshopId: string, { now, items }: z.infer<typeof batchSchema>): Promise<Answer[]> {
	const answers: Answer[] = [];
	const byVisit = new Map<string, { readonly place: number; readonly sent: Sent }[]>();
	items.forEach((item, place) => {
		const read = readItem(item);
		if ('why' in read) answers[place] = { id: idOf(item), answer: 'refused', why: read.why };
		else byVisit.set(read.visitId, [...(byVisit.get(read.visitId) ?? []), { place, sent: read }]);
	});
	const off = Date.now() - now.getTime();
	/** Milliseconds that the server's clock is ahead of the device's. */
	const behind = Math.abs(off) < SAME_CLOCK_MS ? 0 : off;
	for (const [visitId, of] of byVisit) {
		const sent = of.map((each) => each.sent);
		const told = await storeOrPart(workshopId, visitId, behind, sent);
		of.forEach(({ place }, i) => (answers[place] = told[i]));
	}
	return answers;
}

function readItem(item: unknown): Sent | { readonly why: string } {
	const format = (item as { format?: unknown } | null)?.format;
	if (format !== FORMAT && format !== FORMER_FORMAT)
		return { why: 'It was made by another version of Fendrel, which this server does not know.' };
	const parsed = format === FORMAT ? itemSchema.safeParse(item) : formerItemSchema.safeParse(item);
	if (parsed.success) return parsed.data;
	const [issue] = parsed.error.issues;
	const field = issue.path.filter((part) => typeof part === 'string').at(-1) ?? 'item';
	// "pitchError" is "pitch error" to whoever reads it.
	const name = field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
	const outside = issue.code === 'too_small' || issue.code === 'too_big';
	return {
		why: `It cannot be right: its ${name} ${outside ? 'lies outside what there is.' : 'cannot be read.'}`
	};
}

/** All at once; when the database refuses, one by one, so that one bad item costs only itself. */
async function storeOrPart(
	workshopId: string,
	visitId: string,
	behind: number,
	sent: readonly Sent[]
): Promise<Answer[]> {
	try {
		return await store(workshopId, visitId, behind, sent);
	} catch (error) {
		if (isDatabaseAway(error)) throw error;
		if (sent.length === 1) {
			log.error({ err: error, visitId }, 'an item could not be stored');
			return [{ id: idOf(sent[0]), answer: 'refused', why: UNSTORED }];
		}
		const answers: Answer[] = [];
		for (const each of sent) answers.push(...(await storeOrPart(workshopId, visitId, behind, [each])));
		return answers;
	}
}

function store(workshopId: string, visitId: string, behind: number, sent: readonly Sent[]): Promise<Answer[]> {
	return database().sequelize.transaction(async (transaction) => {
		const visit = await lockVisit(workshopId, visitId, transaction);
		if (!visit) return sent.map((each): Answer => ({ id: idOf(each), answer: 'refused', why: NO_VISIT }));
		const incoming = await asPresent(visitId, sent, transaction);
		const known = await storedHashes(
			visitId,
			incoming.map(({ item }) => idOf(item)),
			transaction
		);
		/** Of each item sent: whether anything of it is new, or refused. */
		const told = sent.map((each): Answer => ({ id: idOf(each), answer: 'there' }));
		const fresh: Incoming[] = [];
		for (const each of incoming) {
			const { of, item } = each;
			const key = `${item.kind} ${idOf(item)}`;
			const before = known.get(key);
			if (known.has(key) && before !== null && before !== hashOf(item))
				told[of] = { ...told[of], answer: 'refused', why: OTHER };
			if (known.has(key)) continue;
			known.set(key, hashOf(item));
			fresh.push(each);
			told[of] = { id: told[of].id, answer: 'stored' };
		}
		if (fresh.length === 0) return told;
		const seq = visit.seq + 1;
		const place = await placing(visitId, behind, fresh, transaction);
		const { readings, acts, pins } = rowsOf({ workshopId, visitId, seq, place }, fresh);
		await addReadings(readings, transaction);
		await addActs(acts, transaction);
		if (pins) await setPins(visitId, pins, transaction);
		await raiseSeq(visitId, seq, transaction);
		const undone = acts.some(({ kind }) => kind === 'takeBack' || kind === 'discard');
		const touched = new Set<SounderId>([
			...readings.flatMap(({ row }) => soundersOf(row.sounders)),
			...acts.flatMap(({ sounders }) => soundersOf(sounders ?? '')),
			...(await soundersRestingOn(
				visitId,
				readings.map(({ row }) => row.id),
				transaction
			))
		]);
		await keepSummaries(workshopId, visit, undone ? 'all' : [...touched], transaction);
		return told;
	});
}

/**
 * Where things stand in the server's time: moved by what the device's clock is off, not in the future, and never out of the
 * order of a device's own counter, however its clock was set meanwhile.
 */
async function placing(
	visitId: string,
	behind: number,
	fresh: readonly Incoming[],
	transaction: Transaction
): Promise<Placing> {
	const now = Date.now();
	const moved = (at: Date) => Math.min(at.getTime() + behind, now);
	const placed = new Map<string, Date>();
	const key = ({ device, counter }: Pick<Incoming, 'device' | 'counter'>) => `${device} ${counter}`;
	for (const device of new Set(fresh.map((each) => each.device))) {
		// What was made before devices had names has no order but its time.
		if (device === NIL) continue;
		const own = fresh
			.filter((each) => each.device === device && each.item.kind !== 'pins')
			.sort((a, b) => a.counter - b.counter);
		if (own.length === 0) continue;
		const range = { from: own[0].counter, to: own[own.length - 1].counter };
		const { after, before } = await placedAround(visitId, device, range, transaction);
		let last = after?.getTime() ?? -Infinity;
		for (const each of own) {
			last = Math.min(Math.max(moved(each.at), last), before?.getTime() ?? Infinity);
			placed.set(key(each), new Date(last));
		}
	}
	return (each) => placed.get(key(each)) ?? new Date(moved(each.at));
}
