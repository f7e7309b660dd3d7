import type { SounderId } from '@fendrel/core';
import type { z } from 'zod';
import { FORMAT, FORMER_FORMAT, idOf, type Answer } from '$lib/record/format';
import { formerItemSchema, type FormerItem } from '$lib/record/formerRecord';
import { itemSchema, type batchSchema, type Item } from '$lib/record/record';
import { FairTurns } from '../fairTurns';
import { isDatabaseAway, isDatabaseBusy } from '../db/faults';
import { keepTakenCurves } from '../db/stores/curves';
import {
	addActs,
	addReadings,
	keepPlanVersions,
	lockVisit,
	movePins,
	raiseSeq,
	soundersOf,
	soundersRestingOn,
	storedHashes,
	type LockedVisit
} from '../db/stores/record';
import { inTransaction } from '../db/transaction';
import { log } from '../log';
import { beginVisit } from './begin';
import type { Who } from '../auth/session';
import { deletedVisit, ofVisit } from '../db/stores/deletions';
import { noteChange } from '../db/stores/changes';
import { bookFromVisit } from '../diary/bookings';
import { asPresent, type Incoming } from './former';
import { keepSummaries } from './keep';
import { clocksOf, moved, placing, type ClockOf } from './placing';
import { planProblem } from './plans';
import { projectVisit } from './project';
import { hashOf, rowsOf } from './rows';
import type { Transaction } from 'sequelize';

const NO_VISIT =
	'There is no such visit in this workshop. It may belong to another workshop: sign in there and send it again.';
const DELETED = 'This visit has been deleted. It can be brought back for 30 days, under Deleted; then send it again.';
const UNSTORED = 'The database refused it.';
const OTHER = 'Something else is already stored under its number.';

type Sent = Item | FormerItem;
/** What says how a visit stands as a whole. */
const OF_VISIT = new Set(['plan', 'note', 'stage', 'finish', 'takeBack']);

/**
 * Takes in what a device hands over. Each item gets an answer of its own: one that is refused holds up no other. Sending
 * twice stores once; a finished visit still takes what comes late.
 */
export async function takeIn(
	who: Who,
	{ now, clocks = {}, items }: Omit<z.infer<typeof batchSchema>, 'as'>
): Promise<Answer[]> {
	const answers: Answer[] = [];
	const byVisit = new Map<string, { readonly place: number; readonly sent: Sent }[]>();
	items.forEach((item, place) => {
		const read = readItem(item);
		if ('why' in read) answers[place] = { id: idOf(item), answer: 'refused', why: read.why };
		else byVisit.set(read.visitId, [...(byVisit.get(read.visitId) ?? []), { place, sent: read }]);
	});
	const clockOf = clocksOf(now, clocks);
	for (const [visitId, of] of byVisit) {
		const sent = of.map((each) => each.sent);
		const told = await storeOrPart(who, visitId, clockOf, sent);
		of.forEach(({ place }, i) => (answers[place] = told[i]));
	}
	return answers;
}

function readItem(item: unknown): Sent | { readonly why: string } {
	const format = (item as { format?: unknown } | null)?.format;
	if (format !== FORMAT && format !== FORMER_FORMAT)
		return { why: 'It was made by a version of Fendrel that this server does not know.' };
	const parsed = format === FORMAT ? itemSchema.safeParse(item) : formerItemSchema.safeParse(item);
	if (parsed.success) return parsed.data;
	const [issue] = parsed.error.issues;
	const field =
		issue.path.filter((part): part is string => typeof part === 'string' && /[a-z]/i.test(part)).at(-1) ?? 'item';
	// "pitchError" is "pitch error" to whoever reads it.
	const name = field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
	const outside = issue.code === 'too_small' || issue.code === 'too_big';
	return {
		why: `It cannot be right: its ${name} ${outside ? 'is out of range.' : 'cannot be read.'}`
	};
}

/** So many visits are written to at once: pages that are read find a way to the database that is free. */
const writing = new FairTurns(3, 500);

/** All at once; when the database refuses, one by one, so that one bad item costs only itself. */
async function storeOrPart(who: Who, visitId: string, clockOf: ClockOf, sent: readonly Sent[]): Promise<Answer[]> {
	try {
		return await writing.run(visitId, () =>
			inTransaction((transaction) => store(who, visitId, clockOf, sent, transaction))
		);
	} catch (error) {
		if (isDatabaseAway(error) || isDatabaseBusy(error)) throw error;
		if (sent.length === 1) {
			log.error({ err: error, visitId }, 'an item could not be stored');
			return [{ id: idOf(sent[0]), answer: 'refused', why: UNSTORED }];
		}
		const answers: Answer[] = [];
		for (const each of sent) answers.push(...(await storeOrPart(who, visitId, clockOf, [each])));
		return answers;
	}
}

/** What there is of each kind is numbered by itself; a visit's beginning is the act that plans it. */
const keyOf = (item: Item) => `${item.kind === 'begin' ? 'act' : item.kind} ${idOf(item)}`;

async function store(
	who: Who,
	visitId: string,
	clockOf: ClockOf,
	sent: readonly Sent[],
	transaction: Transaction
): Promise<Answer[]> {
	const { workshopId } = who;
	const visit = await visitFor(who, visitId, clockOf, sent, transaction);
	if ('why' in visit) return sent.map((each): Answer => ({ id: idOf(each), answer: 'refused', why: visit.why }));
	const incoming = await asPresent(visit.id, sent, transaction);
	const known = await storedHashes(
		visit.id,
		incoming.map(({ item }) => idOf(item)),
		transaction
	);
	/** Of each item sent: whether anything of it is new, or refused. */
	const told = sent.map((each): Answer => ({ id: idOf(each), answer: 'there' }));
	const fresh: Incoming[] = [];
	for (const each of incoming) {
		const { of, item } = each;
		const key = keyOf(item);
		const before = known.get(key);
		if (known.has(key) && before !== null && before !== hashOf(item))
			told[of] = { ...told[of], answer: 'refused', why: OTHER };
		if (known.has(key)) continue;
		const why = (await planned(workshopId, visit, item, transaction)) ?? (await booked(who, visit, item, transaction));
		if (why) {
			told[of] = { ...told[of], answer: 'refused', why };
			continue;
		}
		known.set(key, hashOf(item));
		fresh.push(each);
		told[of] = { id: told[of].id, answer: 'stored' };
	}
	if (fresh.length > 0) await write(who, visit, clockOf, fresh, transaction);
	return told;
}

/** The visit that items are for; one that is begun among them is made. */
async function visitFor(
	who: Who,
	visitId: string,
	clockOf: ClockOf,
	sent: readonly Sent[],
	transaction: Transaction
): Promise<LockedVisit | { readonly why: string }> {
	const visit = await lockVisit(who.workshopId, visitId, transaction);
	if (visit) return visit;
	if (await deletedVisit(who.workshopId, visitId, transaction)) return { why: DELETED };
	const item = sent.find((each) => each.kind === 'begin');
	if (!item) return { why: NO_VISIT };
	const startedAt = moved(item.begin.startedAt, clockOf(item.device));
	return beginVisit(who, visitId, item.begin, startedAt, transaction);
}

function planned(workshopId: string, { instrumentId }: LockedVisit, item: Item, transaction: Transaction) {
	const made =
		item.kind === 'begin' ? item.begin : item.kind === 'act' && item.act.do === 'plan' ? item.act : undefined;
	return made && planProblem(workshopId, instrumentId, made, transaction);
}

/** What somebody booked in a visit comes into the diary with it, once. @returns why it cannot */
async function booked(who: Who, visit: LockedVisit, item: Item, transaction: Transaction) {
	if (item.kind !== 'act' || item.act.do !== 'book') return undefined;
	const { booking, startsAt, minutes, promised } = item.act;
	return bookFromVisit(who, visit.instrumentId, { id: booking, startsAt, minutes, promised }, transaction);
}

async function write(
	who: Who,
	visit: LockedVisit,
	clockOf: ClockOf,
	fresh: readonly Incoming[],
	transaction: Transaction
): Promise<void> {
	const { workshopId } = who;
	const seq = visit.seq + 1;
	const place = await placing(visit, clockOf, fresh, transaction);
	const { readings, acts, pins, plans, curves } = rowsOf({ workshopId, visit, seq, place }, fresh);
	await keepTakenCurves(curves, transaction);
	await keepPlanVersions(plans, transaction);
	await addReadings(readings, transaction);
	await addActs(acts, transaction);
	for (const { moved: groups, at } of pins) await movePins(visit.id, groups, at, seq, transaction);
	await raiseSeq(visit.id, seq, transaction);
	const now = acts.some(({ kind }) => OF_VISIT.has(kind)) ? await projectVisit(visit, transaction) : visit;
	if (now.finishedAt && !visit.finishedAt)
		await noteChange(who, await ofVisit(visit, 'visit finished', transaction), transaction);
	const undone = acts.some(({ kind }) => kind === 'takeBack' || kind === 'discard');
	const touched = new Set<SounderId>([
		...readings.flatMap(({ row }) => soundersOf(row.sounders)),
		...acts.flatMap(({ sounders }) => soundersOf(sounders ?? '')),
		...(await soundersRestingOn(
			visit.id,
			readings.map(({ row }) => row.id),
			transaction
		))
	]);
	await keepSummaries(workshopId, now, undone ? 'all' : [...touched], transaction);
}
