import { A4, groupOf, memberOf, pitchLeft, STAGES, type Family, type Stage, type VisitSummary } from '@fendrel/core';
import { counted, fixed, inHz, inSentence, listed, noteRuns, roughly, signed } from '$lib/ui/format';
import { briefOf } from '../brief';
import { FIELD_NAMES } from '../fieldNames';
import { findingsOf } from '../findings';
import type { Account, ClosingGround } from './account';
import { temperatureWords } from '$lib/ui/measures';

/** A line of the record: what it is about, and what is said of it. */
export type Line = readonly [term: string, text: string];

const STAGE_WORDS: Record<Stage, string> = {
	...{ arrive: 'looking', sound: 'measuring', plan: 'planning', set: 'setting', prove: 'proving', close: 'closing' }
};
/** What was set and left out, of any family. */
interface VerdictGround {
	readonly summary: Pick<VisitSummary, 'set' | 'leftOut'>;
	readonly visit: { readonly finishedAt: Date | null };
	readonly family: Pick<Family<unknown>, 'group'>;
}
export function closeVerdict({ summary, visit, family }: VerdictGround): string {
	const { set, leftOut } = summary;
	const groups = (count: number) => counted(count, family.group.one, family.group.many);
	if (set.length === 0) return `Nothing has been set${visit.finishedAt ? '' : ' yet'}.`;
	return leftOut.length === 0
		? `All ${groups(set.length)} set.`
		: `${groups(set.length)} set, ${leftOut.length} left out.`;
}

/** "left string of F♯5" */
function brokenWords({ record, family }: ClosingGround): string {
	const all = record.report.arrival.broken.map(({ sounder }) => {
		const member = memberOf(sounder);
		return `${member === 'only' ? 'string' : `${member} string`} of ${family.groupName(groupOf(sounder))}`;
	});
	return all.length ? listed(all) : 'none';
}

/** What was departed from: what was kept by ear, left further out than was planned, left out, or planned anew. */
function departures({ summary, family }: ClosingGround, { done, outside }: Account): string {
	const runs = (notes: readonly number[]) => noteRuns(notes, family.groupName, 3);
	const said = [
		...(done.replanned.length
			? [`${listed(done.replanned.map((field) => FIELD_NAMES[field]))} changed on the way`]
			: []),
		...(done.byEar.length ? [`by ear: ${runs(done.byEar)}`] : []),
		...(outside.length ? [`outside the tolerance: ${runs(outside)}`] : []),
		...(summary.set.length && summary.leftOut.length ? [`left out: ${runs(summary.leftOut)}`] : [])
	];
	return said.length ? said.join('; ') : 'nothing';
}

/** How long it took, and where the time went. */
function timeWords({ done }: Account): string {
	const all = [...done.minutes.values()].reduce((sum, each) => sum + each, 0);
	if (all < 1) return 'under a minute';
	const parts = STAGES.flatMap((stage) => {
		const minutes = Math.round(done.minutes.get(stage) ?? 0);
		return minutes ? [`${STAGE_WORDS[stage]} ${minutes}`] : [];
	});
	return `${all < 5 ? `${Math.round(all)} min` : roughly(all)}${parts.length > 1 ? ` (${parts.join(', ')})` : ''}`;
}

function passWords({ family }: ClosingGround, { done }: Account): string {
	const groups = (count: number) => counted(count, family.group.one, family.group.many);
	const said = done.passes.map(({ purpose, pass, groups: count }) => {
		if (purpose === 'set') return pass > 1 ? `set again, ${groups(count)}` : `set, ${groups(count)}`;
		return pass === 0 ? `trial, ${groups(count)}` : `raise pass ${pass}, ${groups(count)}`;
	});
	return said.length ? said.join('; ') : 'none';
}

/** "21.5 °C, 54 %" */
export function airWords({ record }: Pick<ClosingGround, 'record'>): string | undefined {
	const { temperature = null, humidity = null } = record.report.arrival.climate ?? {};
	const said = [
		...(temperature === null ? [] : [temperatureWords(temperature)]),
		...(humidity === null ? [] : [`${fixed(humidity, 0)} %`])
	];
	return said.length ? said.join(', ') : undefined;
}

/** The record of a visit, line by line. */
export function accountLines(open: ClosingGround, account: Account): readonly Line[] {
	const { visit, temperament, record, summary, who } = open;
	const { complaint } = briefOf(open);
	const { answer } = record.report.closing;
	const { movedMean, movedMost, leftSpread } = summary;
	const [found, left] = [record.groups.get(A4)?.found?.pitch, pitchLeft(record.groups, A4)];
	const findings = findingsOf(open);
	const moved = movedMost
		? `${fixed(movedMean!, 1)} cents on average, ${open.family.groupName(movedMost.note)} most: ${signed(movedMost.by)}`
		: 'nothing measured';
	return [
		[
			'A4',
			`${found ? `${inHz(found, 2)} Hz found` : 'not measured'}, ${left ? `${inHz(left, 2)} Hz left` : 'not set'}`
		],
		['Plan', `${inSentence(temperament.name)}, A4 = ${inHz(visit.a4)} Hz, within ${counted(visit.tolerance, 'cent')}`],
		['Departed from', departures(open, account)],
		['Left within', leftSpread === undefined ? '–' : `±${fixed(leftSpread, 1)} cents of the plan (standard deviation)`],
		['Moved', moved],
		['Passes', passWords(open, account)],
		['Strings set', `${account.done.sounders}; ${counted(account.done.readings, 'strike')} read`],
		['Broken strings', brokenWords(open)],
		['Air', airWords(open) ?? 'not noted'],
		['Time', timeWords(account)],
		...(complaint
			? [['Complaint', answer ? `${complaint} ${answer}` : `${complaint} Not answered yet.`] as const]
			: []),
		['Work found', findings.length ? findings.map(({ text, state }) => `${text} (${state})`).join('; ') : 'none'],
		...(who ? [['Done by', who] as const] : [])
	];
}
