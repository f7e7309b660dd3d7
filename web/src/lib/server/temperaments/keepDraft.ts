import { examineTuning } from '@fendrel/core';
import { fromText } from '$lib/temperaments/exchange';
import { draftSchema, type Draft, type KeepResult } from '$lib/temperaments/temperamentDraft';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';
import { isDuplicate } from '../db/faults';
import type { Who } from '../auth/session';
import { difference, noteChange } from '../db/stores/changes';
import { inTransaction } from '../db/transaction';
import {
	createTemperaments,
	deleteTemperament,
	listTemperaments,
	updateTemperament,
	type TemperamentDetails
} from '../db/stores/temperaments';

const details = ({ name, tuning, ...about }: Draft): TemperamentDetails => ({ name, tuning, about });
const refused = (...problems: string[]): KeepResult => ({ kind: 'refused', problems });
const TAKEN = (name: string) => `There is a temperament called “${name}” already. Choose another name.`;
/** So many of its own a workshop keeps: pages and visits carry them all to choose from. */
const MOST_OWN = 200;
const TOO_MANY = `A workshop keeps ${MOST_OWN} temperaments of its own at most. Delete some that you no longer need.`;
const CHANGED = (name: string) =>
	`“${name}” has been changed on another device since you opened it. Keep yours in its place? Another name keeps both.`;
/** The database's own rule for names: capitals make no difference. */
const sameName = new Intl.Collator('en', { sensitivity: 'accent' });

const ownOf = (all: readonly StoredTemperament[]) => all.filter(({ own }) => own).length;

/** Keeps a designed temperament: a new one, or over an own one that is there. */
export async function keepDraft(
	who: Who,
	sent: unknown,
	confirmed: boolean,
	over?: StoredTemperament,
	/** The version that was opened to be changed. */
	opened = over?.version
): Promise<KeepResult> {
	const parsed = draftSchema.safeParse(sent);
	if (!parsed.success) return refused(...parsed.error.issues.map(({ message }) => message));
	const { name, tuning } = parsed.data;
	const there = await listTemperaments(who.workshopId);
	const taken = there.some((each) => each.id !== over?.id && sameName.compare(each.name, name) === 0);
	if (taken) return refused(TAKEN(name));
	if (!over && ownOf(there) >= MOST_OWN) return refused(TOO_MANY);
	const { ask } = examineTuning(tuning);
	const meanwhile = over && over.version !== opened ? [CHANGED(over.name)] : [];
	const questions = [...(ask ? [ask] : []), ...meanwhile];
	if (questions.length && !confirmed) return { kind: 'ask', questions };
	try {
		if (!over) {
			return { kind: 'kept', slugs: await addAll(who, [details(parsed.data)]), names: [name] };
		}
		if (!(await writeOver(who, over, details(parsed.data)))) return { kind: 'ask', questions: [CHANGED(over.name)] };
		return { kind: 'kept', slugs: [over.slug], names: [name] };
	} catch (fault) {
		if (isDuplicate(fault)) return refused(TAKEN(name));
		throw fault;
	}
}

/** Adds all or none. @returns their slugs */
function addAll(who: Who, all: readonly TemperamentDetails[]): Promise<string[]> {
	return inTransaction(async (transaction) => {
		const slugs = await createTemperaments(who.workshopId, all, transaction);
		for (const { name } of all) await noteChange(who, { what: 'temperament kept', subjectId: null, name }, transaction);
		return slugs;
	});
}

/** @returns false when somebody else has written over it meanwhile */
function writeOver(who: Who, over: StoredTemperament, now: TemperamentDetails): Promise<boolean> {
	return inTransaction(async (transaction) => {
		const { id, name, tuning, version } = over;
		if (!(await updateTemperament(who.workshopId, id, version, now, transaction))) return false;
		const said = difference({ name, tuning }, { name: now.name, tuning: now.tuning });
		await noteChange(who, { what: 'temperament changed', subjectId: id, name, said }, transaction);
		return true;
	});
}

/** Deletes one of the workshop's own. @returns how many records rest on it; it stays when any does */
export function deleteOwn(who: Who, { id, name }: StoredTemperament): Promise<number> {
	return inTransaction(async (transaction) => {
		const records = await deleteTemperament(who.workshopId, id, transaction);
		if (records === 0) await noteChange(who, { what: 'temperament deleted', subjectId: id, name }, transaction);
		return records;
	});
}

/** Brings in a file's temperaments: all of them, or none. */
export async function importText(
	who: Who,
	text: string,
	{ confirmed, rename }: { readonly confirmed: boolean; readonly rename: boolean }
): Promise<KeepResult> {
	const imported = fromText(text);
	if ('problems' in imported) return refused(...imported.problems);
	const there = await listTemperaments(who.workshopId);
	if (ownOf(there) + imported.drafts.length > MOST_OWN) return refused(TOO_MANY);
	const names = there.map(({ name }) => name);
	const isTaken = (name: string) => names.some((each) => sameName.compare(each, name) === 0);
	const problems: string[] = [];
	const drafts = imported.drafts.map(({ draft, line }) => {
		let { name } = draft;
		if (isTaken(name) && !rename) problems.push(`Line ${line}: ${TAKEN(name)}`);
		for (let n = 2; isTaken(name); n++) name = `${draft.name} (${n})`;
		names.push(name);
		return { ...draft, name };
	});
	if (problems.length) return refused(...problems);
	const questions = drafts.flatMap(({ name, tuning }) => {
		const { ask } = examineTuning(tuning);
		return ask ? [`${name}: ${ask}`] : [];
	});
	if (questions.length && !confirmed) return { kind: 'ask', questions };
	try {
		const slugs = await addAll(who, drafts.map(details));
		return { kind: 'kept', slugs, names: drafts.map(({ name }) => name) };
	} catch (fault) {
		if (isDuplicate(fault)) return refused('One of the names is taken. Choose other names.');
		throw fault;
	}
}
