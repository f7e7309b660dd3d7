import { cents, FOLLOW_UP_DAYS, hz, hzAbove, noteName, type PlannedPass } from '@fendrel/core';
import { addDays, format } from 'date-fns';
import { counted, fixed, flatOrSharp, inHz, noteRuns, signed } from '$lib/ui/format';
import { asksForRaise, type Judgement } from './judgement';

/** A reason for a verdict, and the figure that says it. */
export interface Reason {
	readonly text: string;
	readonly figure: string;
	readonly isGrave?: boolean;
}

const TIMES = ['no pass', 'one pass', 'two passes', 'three passes', 'four passes'];

/** What there is to do, as a plain sentence. */
export function headline({ verdict, barred, near }: Judgement, passes: number, today: Date): string {
	const { kind, way, notes } = verdict;
	const verb = way === 'up' ? 'Raise' : 'Lower';
	switch (kind) {
		case 'leave':
			return `Leave it alone: nothing stands more than ${near.tolerance} cents off.`;
		case 'spot':
			return `Touch ${counted(notes.length, 'note')}: ${noteRuns(notes, noteName)}.`;
		case 'touchUp':
			return `Touch up ${counted(notes.length, 'note')}; leave the others alone.`;
		case 'tune':
			return 'Tune it once.';
		case 'correct':
			return way === 'up' ? 'Correct the pitch first, then tune.' : 'Bring the pitch down first, then tune.';
		case 'move':
			return `${verb} it in ${TIMES[passes]}, then tune.`;
		case 'moveAndReturn': {
			const [first, last] = [FOLLOW_UP_DAYS.first, FOLLOW_UP_DAYS.last].map((days) =>
				format(addDays(today, days), 'd MMMM')
			);
			return `${verb} it in ${TIMES[passes]} today, then tune. Come again between ${first} and ${last}.`;
		}
		case 'barred':
			return `Do not raise it: ${barred!.part.name.toLowerCase()}, ${barred!.grade.words.toLowerCase()}.`;
	}
}

/** Why, in figures; the weightiest first. */
export function reasons(judgement: Judgement, passes: readonly PlannedPass[], a4: number): readonly Reason[] {
	const { verdict, state, gates, price, pins, read, notes } = judgement;
	const { worst } = verdict;
	const said: Reason[] = [];
	for (const { part, grade, cleared } of gates)
		said.push({
			text: `${part.name}: ${grade.words.toLowerCase()}. ${cleared ? `Answered for by ${cleared.by}: ${cleared.reason}` : (grade.so ?? '')}`,
			figure: cleared ? 'cleared' : grade.gate === 'procedure' ? 'procedure' : grade.gate,
			isGrave: !cleared && grade.gate !== 'procedure'
		});
	const others = state.sections
		.filter(({ id }) => id !== worst.id)
		.map(({ id, level }) => `${id} ${signed(level, 0)}`)
		.join(', ');
	said.push({
		text: `The ${worst.id} stands worst: ${flatOrSharp(worst.level)}${others ? ` (${others})` : ''}`,
		figure: counted(read, 'note')
	});
	if (state.jump !== undefined && Math.abs(state.jump) >= 3)
		said.push({ text: 'It jumps at the break', figure: `${signed(state.jump)} cents` });
	if (asksForRaise(verdict)) {
		const [first] = passes;
		const most = Math.max(...first.points.map(({ over }) => Math.abs(over)));
		const bound = first.points.find(({ boundBy }) => boundBy)?.boundBy;
		said.push({
			text: first.held
				? `${counted(first.held, 'note')} held at the ${bound === 'load' ? 'wire’s load' : bound === 'wire' ? 'limit for old wire' : 'cap'} in the first pass`
				: `Set up to ${fixed(most, 0)} cents ${verdict.way === 'up' ? 'above' : 'below'} target, so that it settles there`,
			figure: counted(passes.length, 'pass', 'passes')
		});
	} else
		said.push({
			text:
				price.strings === 0
					? `No string needs to move at ${inHz(a4)} Hz`
					: `Strings to move at ${inHz(a4)} Hz; ${fixed(price.mean, 1)} cents on average, ${fixed(price.most, 0)} at most`,
			figure: `${pins.moved} of ${pins.all}`
		});
	if (state.unisons.length)
		said.push({
			text: `Unisons that move too much: ${noteRuns(
				state.unisons.map(({ note }) => note),
				noteName,
				4
			)}`,
			figure: `${state.unisons.length} of ${state.unisonsHeard}`
		});
	if (verdict.strays.length)
		said.push({
			text: `Out of their neighbours’ line: ${noteRuns(verdict.strays, noteName, 4)}`,
			figure: counted(verdict.strays.length, 'note')
		});
	else if (state.strays.finds !== undefined)
		said.push({
			text: 'No note stands out from its neighbours',
			figure: `from ${fixed(state.strays.finds, 0)} cents`
		});
	if (state.falseBeats.length)
		said.push({
			text: `False beats: ${noteRuns(state.falseBeats, noteName, 4)}`,
			figure: counted(state.falseBeats.length, 'note')
		});
	if (state.temperamentUnread > 0)
		said.push({
			text: 'F3 to F4 was not read whole: temperament and curve rest on less',
			figure: `${state.temperamentUnread} unread`
		});
	if (read < notes.length / 4 && state.strays.finds === undefined)
		said.push({ text: 'Too few notes to say which stand out', figure: `${read} of ${notes.length}` });
	return said;
}

/** What the owner agrees to. */
export function raiseExplained(passes: number): string {
	return `The pitch is raised in ${counted(passes, 'pass', 'passes')} before the tuning. Strings may break; it takes longer and costs more; it will need tuning again sooner.`;
}
export const TRIAL_EXPLAINED =
	'One string of one note in each octave is raised to pitch and read again after ten minutes. Such a string may break.';

/** The pitch that so many cents above another make, in Hz. */
export function shifted(a4: number, shift: number): number {
	return hzAbove(hz(a4), cents(shift));
}
