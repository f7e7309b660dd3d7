import type { Examined, ExaminationBand, Intervals, NearEnough, Tariff, Thresholds, VisitPurpose } from '@fendrel/core';
import { EXAMINED, USUAL_BANDS, VISIT_PURPOSES } from '@fendrel/core';
import type { Result } from '$lib/ui/result';
import { decimal } from '$lib/ui/format';
import { typedNumber } from '$lib/ui/typed';
import { USUAL_WRITING, type Writing } from '$lib/ui/writing';
import { EXAMINED_NAMES } from './examinedNames';
import { PURPOSE_NAMES, type RaiseChoice, type Settings } from './settings';

/** Figures of a visit's purpose, in the order of their columns. */
export const PURPOSE_COLUMNS: readonly { readonly id: keyof (NearEnough & Thresholds); readonly name: string }[] = [
	{ id: 'tolerance', name: 'a string may stand off, cents' },
	{ id: 'unison', name: 'a unison may beat, per second' },
	{ id: 'touchUp', name: 'touch up to, cents' },
	{ id: 'tune', name: 'tune once up to, cents' },
	{ id: 'correct', name: 'a pass first up to, cents' },
	{ id: 'followUp', name: 'come again soon from, cents' }
];
export const TARIFF_LINES: readonly { readonly id: keyof Tariff; readonly name: string }[] = [
	{ id: 'visit', name: 'Coming and looking' },
	{ id: 'note', name: 'Each note touched up' },
	{ id: 'tuning', name: 'A tuning' },
	{ id: 'pass', name: 'Each pass before it' }
];
export const AGAIN_LINES: readonly { readonly id: keyof Intervals; readonly name: string }[] = [
	{ id: 'inUse', name: 'In use' },
	{ id: 'hardly', name: 'Seldom or hardly ever played' },
	{ id: 'stage', name: 'A stage' }
];
export const BAND_COLUMNS: readonly { readonly id: keyof ExaminationBand; readonly name: string }[] = [
	{ id: 'none', name: 'nothing lost up to, cents' },
	{ id: 'one', name: 'one point up to, cents' },
	{ id: 'two', name: 'two points up to, cents' },
	{ id: 'weight', name: 'counts, times' }
];
type Typed<Figures> = { -readonly [Key in keyof Figures]: string };
/** Settings while somebody types them. */
export interface Draft {
	purposes: Record<VisitPurpose, Typed<NearEnough & Thresholds>>;
	raise: { -readonly [Key in keyof RaiseChoice]: RaiseChoice[Key] };
	minutes: Typed<Tariff>;
	price: Typed<Tariff>;
	currency: string;
	again: Typed<Intervals>;
	examination: Record<Examined, Typed<ExaminationBand>>;
	writing: { -readonly [Key in keyof Writing]: Writing[Key] };
}

const typed = <Figures extends object>(figures: Figures) =>
	Object.fromEntries(Object.entries(figures).map(([key, value]) => [key, decimal(String(value))])) as Typed<Figures>;

export function draftOf({
	purposes,
	raise,
	minutes,
	price,
	currency,
	again,
	examination = USUAL_BANDS,
	writing = USUAL_WRITING
}: Settings): Draft {
	return {
		purposes: Object.fromEntries(VISIT_PURPOSES.map((id) => [id, typed(purposes[id])])) as Draft['purposes'],
		...{ raise: { ...raise }, minutes: typed(minutes), price: typed(price), currency, again: typed(again) },
		examination: Object.fromEntries(EXAMINED.map((id) => [id, typed(examination[id])])) as Draft['examination'],
		writing: { ...writing }
	};
}

/** Where a figure stands on the page, from where it stands in the settings. */
function lineAt([table, line, column]: readonly PropertyKey[]): string {
	const named = (of: readonly { readonly id: string; readonly name: string }[], id: PropertyKey) =>
		of.find((each) => each.id === id)?.name.toLowerCase();
	if (table === 'purposes')
		return [PURPOSE_NAMES[line as VisitPurpose], column && named(PURPOSE_COLUMNS, column)].filter(Boolean).join(', ');
	if (table === 'minutes') return `Minutes, ${named(TARIFF_LINES, line)}`;
	if (table === 'price') return `Price, ${named(TARIFF_LINES, line)}`;
	if (table === 'examination')
		return [`Examination, ${EXAMINED_NAMES[line as Examined].toLowerCase()}`, column && named(BAND_COLUMNS, column)]
			.filter(Boolean)
			.join(', ');
	return table === 'again' ? `Months, ${named(AGAIN_LINES, line)}` : 'Settings';
}

/** What was typed, as it can be kept; or the first thing that cannot, by its line and column. */
export async function readDraft(draft: Draft): Promise<Result<Settings>> {
	const read = readFigures(draft);
	if ('problem' in read) return read;
	// Comes when it is needed: the checks are heavier than the page.
	const { settingsSchema } = await import('./settingsSchema');
	const issue = settingsSchema.safeParse(read.value).error?.issues[0];
	return issue ? { problem: `${lineAt(issue.path)}: ${issue.message}` } : read;
}

function readFigures(draft: Draft): Result<Settings> {
	let problem: string | undefined;
	const read = <Figures extends object>(
		of: Typed<Figures>,
		columns: readonly { readonly id: keyof Figures & string; readonly name: string }[],
		line: string
	) =>
		Object.fromEntries(
			columns.map(({ id, name }) => {
				const value = typedNumber(of[id]);
				if (Number.isNaN(value)) problem ??= `${line}, ${name.toLowerCase()}: enter a number.`;
				return [id, value];
			})
		) as unknown as Figures;
	const purposes = Object.fromEntries(
		VISIT_PURPOSES.map((id) => [id, read(draft.purposes[id], PURPOSE_COLUMNS, PURPOSE_NAMES[id])])
	) as Settings['purposes'];
	const minutes = read(draft.minutes, TARIFF_LINES, 'Minutes');
	const price = read(draft.price, TARIFF_LINES, 'Price');
	const again = read(draft.again, AGAIN_LINES, 'Months');
	const examination = Object.fromEntries(
		EXAMINED.map((id) => [
			id,
			read(draft.examination[id], BAND_COLUMNS, `Examination, ${EXAMINED_NAMES[id].toLowerCase()}`)
		])
	) as Settings['examination'];
	if (problem) return { problem };
	return {
		value: {
			purposes,
			raise: { ...draft.raise },
			minutes,
			price,
			currency: draft.currency.trim(),
			again,
			examination,
			writing: { ...draft.writing }
		}
	};
}
