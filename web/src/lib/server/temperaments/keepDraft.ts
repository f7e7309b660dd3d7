import { examineTuning } from '@fendrel/core';
import { fromText } from '$lib/temperaments/exchange';
import { draftSchema, type Draft, type KeepResult } from '$lib/temperaments/temperamentDraft';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';
import { isDuplicate } from '../db/faults';
import {
	createTemperaments,
	listTemperaments,
	updateTemperament,
	type TemperamentDetails
} from '../db/stores/temperaments';

const details = ({ name, tuning, ...about }: Draft): TemperamentDetails => ({ name, tuning, about });
const refused = (...problems: string[]): KeepResult => ({ kind: 'refused', problems });
const TAKEN = (name: string) => `There is a temperament called “${name}” already. Choose another name.`;
const CHANGED = (name: string) =>
	`“${name}” has been changed on another device since you opened it. Keep yours in its place? Another name keeps both.`;
/** The database's own rule for names: capitals make no difference. */
const sameName = new Intl.Collator('en', { sensitivity: 'accent' });

/** Keeps a designed temperament: a new one, or over an own one that is there. */
export async function keepDraft(
	workshopId: string,
	sent: unknown,
	confirmed: boolean,
	over?: StoredTemperament,
	/** The version that was opened to be changed. */
	opened = over?.version
): Promise<KeepResult> {
	const parsed = draftSchema.safeParse(sent);
	if (!parsed.success) return refused(...parsed.error.issues.map(({ message }) => message));
	const { name, tuning } = parsed.data;
	const taken = (await listTemperaments(workshopId)).some(
		(each) => each.id !== over?.id && sameName.compare(each.name, name) === 0
	);
	if (taken) return refused(TAKEN(name));
	const { ask } = examineTuning(tuning);
	const meanwhile = over && over.version !== opened ? [CHANGED(over.name)] : [];
	const questions = [...(ask ? [ask] : []), ...meanwhile];
	if (questions.length && !confirmed) return { kind: 'ask', questions };
	try {
		if (!over) {
			const slugs = await createTemperaments(workshopId, [details(parsed.data)]);
			return { kind: 'kept', slugs, names: [name] };
		}
		const written = await updateTemperament(workshopId, over.id, over.version, details(parsed.data));
		if (!written) return { kind: 'ask', questions: [CHANGED(over.name)] };
		return { kind: 'kept', slugs: [over.slug], names: [name] };
	} catch (fault) {
		if (isDuplicate(fault)) return refused(TAKEN(name));
		throw fault;
	}
}

/** Brings in a file's temperaments: all of them, or none. */
export async function importText(
	workshopId: string,
	text: string,
	{ confirmed, rename }: { readonly confirmed: boolean; readonly rename: boolean }
): Promise<KeepResult> {
	const imported = fromText(text);
	if ('problems' in imported) return refused(...imported.problems);
	const names = (await listTemperaments(workshopId)).map(({ name }) => name);
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
		const slugs = await createTemperaments(workshopId, drafts.map(details));
		return { kind: 'kept', slugs, names: drafts.map(({ name }) => name) };
	} catch (fault) {
		if (isDuplicate(fault)) return refused('One of the names is taken. Choose other names.');
		throw fault;
	}
}
