import { fixed, flatOrSharp, inHz, inSentence, signed } from '$lib/ui/format';
import type { Comparison } from './comparison';

const figure = (cents: number | undefined) => (cents === undefined ? '–' : signed(cents));

/** Cents that each section had moved by itself from one visit to the next. */
export function driftRows({ sections }: Pick<Comparison, 'sections'>): readonly (readonly [string, ...string[]])[] {
	const drift = sections.map(({ leftThen, found }) =>
		leftThen === undefined || found === undefined ? undefined : found - leftThen
	);
	return [
		['left then', ...sections.map(({ leftThen }) => figure(leftThen))],
		['found', ...sections.map(({ found }) => figure(found))],
		['moved by itself', ...drift.map(figure)],
		['left', ...sections.map(({ left }) => figure(left))]
	];
}

/** "The tenor moved most between them: 4.1 cents flat." */
export function driftVerdict({ sections }: Pick<Comparison, 'sections'>): string {
	const most = sections.reduce<{ readonly id: string; readonly by: number } | undefined>((most, each) => {
		if (each.leftThen === undefined || each.found === undefined) return most;
		const by = each.found - each.leftThen;
		return most && Math.abs(most.by) >= Math.abs(by) ? most : { id: each.id, by };
	}, undefined);
	if (!most) return 'What lay between them cannot be told: no section was left then and read again.';
	if (Math.abs(most.by) < 0.05) return 'Nothing moved between them.';
	return `The ${most.id} moved most between them: it went ${flatOrSharp(most.by)}.`;
}

/** What both visits were, side by side. */
export function factRows({ before, after }: Comparison): readonly (readonly [string, string, string])[] {
	const row = (name: string, of: (visit: Comparison['before']) => string) => [name, of(before), of(after)] as const;
	return [
		row('By', ({ who }) => who ?? 'not noted'),
		row('Plan', ({ temperament, a4 }) => `${inSentence(temperament)}, A4 = ${inHz(a4)} Hz`),
		row('Air', ({ air }) => air ?? 'not noted'),
		row('Notes set', ({ notesSet }) => String(notesSet)),
		row('Mean move', ({ movedMean }) => (movedMean === undefined ? '–' : `${fixed(movedMean, 1)} cents`)),
		row('Note', ({ note }) => note || '–')
	];
}
