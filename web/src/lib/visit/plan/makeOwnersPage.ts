import { leftBySection, noteName, RAISE_ORDERS, type PlannedPass } from '@fendrel/core';
import { counted, inHz, inSentence, noteRuns, onDay, onTime, signed } from '$lib/ui/format';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import type { OwnersPage } from './ownersPage';
import type { RaiseChoice } from '$lib/settings/settings';
import { effort } from './effort';
import { asksForRaise, type Judgement } from './judgement';
import { headline, raiseExplained, reasons } from './verdictWords';

/** The plan for its owner, from what was found. */
export function ownersPage(
	open: Pick<KeyboardVisit, 'instrument' | 'visit' | 'temperament' | 'record' | 'about'>,
	judgement: Judgement,
	passes: readonly PlannedPass[],
	raise: RaiseChoice
): OwnersPage {
	const { instrument, visit, temperament, record } = open;
	const { verdict, state, pins } = judgement;
	const { consents, brief } = record.report.arrival;
	const moves = asksForRaise(verdict);
	const order = RAISE_ORDERS.find(({ id }) => id === raise.order)!.name;
	const consent = consents.get('raise');
	const tuned = `Tune it in ${inSentence(temperament.name)} temperament at A4 = ${inHz(visit.a4)} Hz.`;
	const touched = `Set ${counted(pins.moved, 'string')} of ${pins.all}; the others stay as they are.`;
	return {
		instrument: instrument.name,
		where: instrument.location ? `${instrument.location.name}, ${instrument.location.town}` : '',
		day: onDay(visit.startedAt),
		headline: headline(judgement, passes.length, visit.startedAt),
		reasons: [...reasons(judgement, passes, visit.a4), ...effort(open, judgement, passes.length)].map(
			({ text, figure }) => ({ text, figure })
		),
		steps: [
			...(moves
				? passes.map(
						({ held }, i) =>
							`Pass ${i + 1}: ${verdict.way === 'up' ? 'raise' : 'lower'} every string${i === 0 ? `, ${order.toLowerCase()}` : ''}${held ? `; ${counted(held, 'note')} held back` : ''}.`
					)
				: []),
			...(verdict.kind === 'barred' || verdict.kind === 'leave' ? [] : [moves ? tuned : `${tuned} ${touched}`]),
			...(state.falseBeats.length
				? [`Strings that beat by themselves, to be quoted: ${noteRuns(state.falseBeats, noteName)}.`]
				: [])
		],
		table: {
			head: ['Cents from target', ...state.sections.map(({ id }) => id)],
			rows: [
				['found', ...state.sections.map(({ level }) => signed(level))],
				...passes.map(({ points }, i) => [
					`after pass ${i + 1}`,
					...leftBySection(points, state.sections).map(({ left }) => signed(left))
				])
			]
		},
		risks: [
			...(moves && verdict.way === 'up' ? [raiseExplained(passes.length)] : []),
			...(consent
				? [
						`${consent.given ? 'Agreed' : 'Declined'} by ${consent.from}, ${onTime(new Date(consent.at))}; explained by ${consent.by}.`
					]
				: []),
			...(brief.complaint ? [`In the player’s words: ${brief.complaint}`] : []),
			'Keep temperature and humidity steady; keep it away from heaters and windows.'
		]
	};
}
