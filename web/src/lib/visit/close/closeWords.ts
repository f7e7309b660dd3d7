import { A4, pitchLeft, type GroupRecord, type VisitSummary } from '@fendrel/core';
import { flatOrSharp, inHz, noteRuns, signed } from '$lib/ui/format';

/** How a family speaks of what it sets as one. */
export interface GroupWords {
	readonly counted: (count: number) => string;
	readonly nameOf: (group: number) => string;
}

/** What a visit has come to, line by line. */
export function summaryLines(
	summary: VisitSummary,
	groups: ReadonlyMap<number, GroupRecord>,
	{ counted, nameOf }: GroupWords
): readonly (readonly [term: string, text: string])[] {
	const found = [...summary.notes.values()].filter((note) => note.found !== undefined).length;
	const { foundMiddle, movedMean, movedMost, leftSpread, leftOut } = summary;
	const a4 = pitchLeft(groups, A4);
	return [
		['Found', foundMiddle === undefined ? 'not measured' : `${flatOrSharp(foundMiddle)} (median of ${counted(found)})`],
		['Moved', movedMean === undefined ? 'nothing yet' : `${movedMean.toFixed(1)} cents on average`],
		['Largest move', movedMost ? `${nameOf(movedMost.note)} by ${signed(movedMost.by)} cents` : '–'],
		['Left within', leftSpread === undefined ? '–' : `±${leftSpread.toFixed(1)} cents of target (standard deviation)`],
		['A4 left', a4 ? `${inHz(a4, 2)} Hz` : 'not measured'],
		['Left out', leftOut.length ? `${counted(leftOut.length)}: ${noteRuns(leftOut, nameOf)}` : 'nothing']
	];
}

export function closeVerdict(summary: VisitSummary, isFinished: boolean, { counted }: GroupWords): string {
	const { set, leftOut } = summary;
	if (set.length === 0) return `Nothing has been set${isFinished ? '' : ' yet'}.`;
	return leftOut.length === 0
		? `All ${counted(set.length)} set.`
		: `${counted(set.length)} set, ${leftOut.length} left out.`;
}
