import { randomBytes } from 'node:crypto';
import { error } from '@sveltejs/kit';
import { addDays } from 'date-fns';
import { v7 as uuid } from 'uuid';
import { stringsAt, telephoneNotes, type InstrumentTwin, type ListeningHabits } from '@fendrel/core';
import type { HeardNote, TelephoneTold, ToldLook } from '$lib/telephone/told';
import { listeningSetup, type ListeningSetup } from '$lib/tuning/listeningSetup';
import { USUAL_WRITING, type Writing } from '$lib/ui/writing';
import { planFor } from '$lib/tuning/plan';
import { digest, type Who } from '../auth/session';
import { settingsOf, workshopNamed } from '../db/stores/accounts';
import { noteChange } from '../db/stores/changes';
import { strungOf, type StrungInstrument } from '../db/stores/instruments';
import { changeTelephoneLook, saveTelephoneLook, telephoneLookAt, telephoneLooksOf } from '../db/stores/telephoneLooks';
import type { TelephoneLookRow } from '../db/rows';
import { inTransaction } from '../db/transaction';
import { loadListened } from '../tuning/listened';
import { loadTuning } from '../tuning/choice';
import { judgedByTelephone } from './judged';

/** An address leads to an instrument for so many days, and so many of them may be out at once. */
const DAYS = 30;
const MOST_OPEN = 3;

const toldLook = ({ tokenHash, endsAt, ...look }: TelephoneLookRow, now: Date): ToldLook => ({
	...{ id: look.id, madeAt: look.madeAt, endsAt, isOpen: tokenHash !== null && endsAt > now },
	...{ heardAt: look.heardAt, told: look.told, agreedAt: look.agreedAt, agreedBy: look.agreedBy }
});

/** Looks before a visit to some instruments, the newest first; what nobody can play any more and nobody played is left out. */
export async function looksBefore(
	workshopId: string,
	instrumentIds: readonly string[],
	now = new Date()
): Promise<ReadonlyMap<string, readonly ToldLook[]>> {
	const looks = new Map<string, ToldLook[]>();
	if (instrumentIds.length === 0) return looks;
	for (const row of await telephoneLooksOf(workshopId, instrumentIds)) {
		const look = toldLook(row, now);
		if (look.isOpen || look.told) looks.set(row.instrumentId, [...(looks.get(row.instrumentId) ?? []), look]);
	}
	return looks;
}

/** Makes an address for an owner. @returns its secret, which is told this once */
export async function askOwner(who: Who, instrument: StrungInstrument): Promise<{ readonly token: string }> {
	return inTransaction(async (transaction) => {
		const now = new Date();
		const open = (await telephoneLooksOf(who.workshopId, [instrument.id], transaction)).filter(
			({ tokenHash, endsAt }) => tokenHash !== null && endsAt > now
		);
		if (open.length >= MOST_OPEN)
			error(409, { message: `${MOST_OPEN} links to this instrument are out already. Withdraw one of them first.` });
		const token = randomBytes(24).toString('base64url');
		const look = {
			...{ id: uuid(), workshopId: who.workshopId, instrumentId: instrument.id, userId: who.userId },
			...{ tokenHash: digest(token), madeAt: now, endsAt: addDays(now, DAYS) },
			...{ heardAt: null, heard: null, told: null, agreedAt: null, agreedBy: '' }
		};
		await saveTelephoneLook(look, transaction);
		await noteChange(who, { what: 'owner asked', subjectId: instrument.id, name: instrument.name }, transaction);
		return { token };
	});
}

/** The address leads nowhere any more; what was heard stays. */
export function withdrawLook(who: Who, instrument: StrungInstrument, id: string): Promise<void> {
	return inTransaction(async (transaction) => {
		const looks = await telephoneLooksOf(who.workshopId, [instrument.id], transaction);
		if (!looks.some((look) => look.id === id && look.tokenHash !== null)) return;
		await changeTelephoneLook({ workshopId: who.workshopId, id }, { tokenHash: null }, transaction);
		await noteChange(who, { what: 'link withdrawn', subjectId: instrument.id, name: instrument.name }, transaction);
	});
}

/** What an owner's page needs, and no more of the workshop than its name. */
export interface OwnersPage {
	readonly workshop: string;
	/** A workshop to try things in: there the instrument can be simulated. */
	readonly demo: boolean;
	/** How the workshop writes. */
	readonly writing: Writing;
	readonly kind: StrungInstrument['kind'];
	readonly notes: readonly number[];
	readonly setup: Omit<ListeningSetup, 'sampleRate' | 'habits'>;
	readonly targets: readonly { readonly note: number; readonly pitch: number }[];
	/** How many strings each of the notes has. */
	readonly strings: readonly number[];
	readonly habits: ListeningHabits;
	readonly twin: InstrumentTwin | undefined;
	readonly heardAt: number | undefined;
	readonly told: TelephoneTold | null;
	readonly agreedBy: string;
}

/** @returns undefined where the address leads nowhere (any more) */
export async function ownersPage(token: string, now = new Date()): Promise<OwnersPage | undefined> {
	const found = await lookAt(token, now);
	if (!found) return undefined;
	const { look, instrument } = found;
	const [workshop, { writing = USUAL_WRITING }, choice] = await Promise.all([
		workshopNamed(look.workshopId),
		settingsOf(look.workshopId),
		loadTuning(look.workshopId, { instrument: instrument.id })
	]);
	const { habits, stringing, twin } = await loadListened(look.workshopId, choice);
	const plan = planFor(choice);
	const notes = telephoneNotes(instrument.lowest, instrument.highest);
	return {
		...{ workshop: workshop.name, demo: workshop.demo, writing, kind: instrument.kind, notes },
		setup: listeningSetup(plan, choice.a4),
		targets: plan.targets.map(({ note, pitch }) => ({ note, pitch })),
		strings: notes.map((note) => stringsAt(stringing, note)),
		...{ habits, twin: workshop.demo ? twin : undefined },
		...{ heardAt: look.heardAt?.getTime(), told: look.told, agreedBy: look.agreedBy }
	};
}

async function lookAt(token: string, now: Date) {
	const look = await telephoneLookAt(digest(token), now);
	const instrument = look && (await strungOf(look.workshopId, look.instrumentId));
	return look && instrument ? { look, instrument } : undefined;
}

const OVER = 'This link does not work any more. Ask your technician for a new one.';

/** Keeps what an owner played, and what it tells. */
export async function hearOwner(token: string, notes: readonly HeardNote[]): Promise<void> {
	const found = await lookAt(token, new Date());
	if (!found) error(410, { message: OVER });
	const told = await judgedByTelephone(found.look.workshopId, found.instrument, notes);
	if (!told) error(400, { message: 'None of these notes is on the instrument.' });
	await inTransaction(async (transaction) => {
		const look = await telephoneLookAt(digest(token), new Date(), transaction);
		if (!look) error(410, { message: OVER });
		if (look.agreedAt) error(409, { message: 'This was agreed already. Ask your technician for a new link.' });
		await changeTelephoneLook(look, { heard: notes, told, heardAt: new Date() }, transaction);
	});
}

/** The owner agrees to what was on the page. */
export async function ownerAgrees(token: string, name: string, heardAt: number): Promise<void> {
	await inTransaction(async (transaction) => {
		const look = await telephoneLookAt(digest(token), new Date(), transaction);
		if (!look) error(410, { message: OVER });
		if (!look.told || look.heardAt?.getTime() !== heardAt)
			error(409, { message: 'It was played once more meanwhile. Read it again, then agree.' });
		if (look.agreedAt) return;
		await changeTelephoneLook(look, { agreedAt: new Date(), agreedBy: name }, transaction);
	});
}
