import { A4, offsetsFromEqual, partsOf, gatesOf, pitchLeft, type CardFacts } from '@fendrel/core';
import { format, parseISO } from 'date-fns';
import { counted, flatOrSharp, inHz, inSentence, onDay, signed } from '$lib/ui/format';
import { briefOf } from '../brief';
import { findingsOf } from '../findings';
import { accountOf, type Account, type ClosingGround } from './account';
import { accountLines } from './accountWords';
import { DAY_FORMAT, nextVisit } from './nextVisit';

/** What the owner is told of a visit, in plain words. */
export interface OwnersReport {
	readonly instrument: string;
	readonly where: string;
	readonly day: string;
	readonly who: string;
	readonly headline: string;
	readonly table: { readonly head: readonly string[]; readonly rows: readonly (readonly string[])[] };
	/** What was done, line by line. */
	readonly done: readonly (readonly [term: string, text: string])[];
	/** What was asked and what came of it; what was said at the end. */
	readonly said: readonly string[];
	readonly advice: readonly string[];
	/** Work that was found and is still to be done. */
	readonly left: readonly string[];
	readonly next: string;
}

const lastDay = ({ visit }: ClosingGround, now: Date) => visit.finishedAt ?? now;
const isOpenWork = ({ state }: { readonly state: string }) => state === 'open' || state === 'quoted';

/** "It stood up to 31.2 cents flat. All of it is set at A4 = 440.0 Hz." */
function headline({ summary, record, visit, family }: ClosingGround, { sections }: Account): string {
	const worst = sections.reduce<number | undefined>(
		(most, { found }) => (found !== undefined && Math.abs(found) >= Math.abs(most ?? 0) ? found : most),
		undefined
	);
	const far = worst !== undefined && Number(worst.toFixed(1)) !== 0;
	const stood = worst === undefined ? '' : `It stood ${far ? 'up to ' : ''}${flatOrSharp(worst)}. `;
	const { set, leftOut } = summary;
	if (set.length === 0) return `${stood}Nothing was set at this visit.`;
	const what = leftOut.length
		? `${counted(set.length, family.group.one, family.group.many)} ${set.length === 1 ? 'was' : 'were'}`
		: 'All of it is';
	return `${stood}${what} set at A4 = ${inHz(pitchLeft(record.groups, A4) ?? visit.a4)} Hz.`;
}

/** Lines of the record that mean something to an owner. */
const FOR_OWNERS: ReadonlySet<string> = new Set([
	'Plan',
	'Passes',
	'Moved',
	'Strings set',
	'Broken strings',
	'Air',
	'Time'
]);

export function ownersReport(open: ClosingGround, now: Date): OwnersReport {
	const account = accountOf(open);
	const { instrument, record, who } = open;
	const { closing } = record.report;
	const { complaint } = briefOf(open);
	const next = nextVisit(open, account, now);
	const figure = (cents: number | undefined) => (cents === undefined ? '–' : signed(cents));
	return {
		instrument: instrument.name,
		where: instrument.location ? [instrument.location.name, instrument.location.town].filter(Boolean).join(', ') : '',
		day: onDay(lastDay(open, now)),
		who: who ?? '',
		headline: headline(open, account),
		table: {
			head: ['Cents from its place', ...account.sections.map(({ id }) => id)],
			rows: [
				['before', ...account.sections.map(({ found }) => figure(found))],
				['after', ...account.sections.map(({ left }) => figure(left))]
			]
		},
		done: accountLines(open, account).filter(([term]) => FOR_OWNERS.has(term)),
		said: [
			...(complaint ? [`You said: “${complaint}” ${closing.answer}`.trim()] : []),
			...(closing.word?.text
				? [`Afterwards: “${closing.word.text}”${closing.word.by ? ` (${closing.word.by})` : ''}`]
				: [])
		],
		advice: [...closing.advice.values()],
		left: findingsOf(open)
			.filter(isOpenWork)
			.map(({ text, state }) => (state === 'quoted' ? `${text} (quoted)` : text)),
		next: `${onDay(parseISO(next.on))}: ${next.why}.`
	};
}

/** What stays with the instrument. */
export function cardFacts(open: ClosingGround, now: Date): CardFacts {
	const { instrument, visit, temperament, plan, record } = open;
	const { lowest, highest, kind } = instrument;
	const { arrival } = record.report;
	const { pins } = briefOf(open);
	const gates = gatesOf(partsOf(kind), arrival);
	return {
		instrument: instrument.name,
		tuned: format(lastDay(open, now), DAY_FORMAT),
		next: nextVisit(open, accountOf(open), now).on,
		a4: pitchLeft(record.groups, A4) ?? visit.a4,
		temperature: arrival.climate?.temperature ?? undefined,
		humidity: arrival.climate?.humidity ?? undefined,
		temperament: inSentence(temperament.name),
		offsets: offsetsFromEqual(temperament),
		lowest,
		stretch: Array.from({ length: highest - lowest + 1 }, (_, i) => plan.stretchAt(lowest + i)),
		cautions: [
			...gates.map(({ part, grade }) => `${part.name}: ${grade.words.toLowerCase()}. ${grade.so ?? ''}`.trim()),
			...(pins ? [`Pins: ${pins}`] : [])
		]
	};
}
