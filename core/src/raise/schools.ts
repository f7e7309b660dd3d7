import { mean } from 'd3-array';
import { couplingOf, NOTHING_LEARNED, type LearnedCoupling } from './learning';
import { forecast, overpull, type NoteToRaise, type SetPoint } from './overpull';

/** How technicians find what to set a string to in a raise. */
export const RAISE_SCHOOLS = [
	{ id: 'coupled', name: 'From the survey', why: 'How this piano yields, from what was read; learned as you go.' },
	{ id: 'shares', name: 'Shares by register', why: 'A share of the neighbours’ mean drop, computed for the order.' },
	{ id: 'half', name: 'Half the drop', why: 'Half of what the note itself lies low.' }
] as const;
export type RaiseSchool = (typeof RAISE_SCHOOLS)[number]['id'];

/** Notes on either side over which a drop is averaged. */
const AVERAGED = 4;
/** The even drop by which shares are computed, in cents: it drops out again. */
const EVEN = 10;

/**
 * What every note is to be set to by a school, and where that should bring it by what is known of the piano.
 * @param notes in the order of work
 */
export function setPoints(
	school: RaiseSchool,
	notes: readonly NoteToRaise[],
	known: LearnedCoupling
): readonly SetPoint[] {
	const coupling = couplingOf(known);
	if (school === 'coupled') return overpull(notes, coupling);
	const overs = school === 'half' ? halves(notes) : shares(notes);
	const isBound = notes.map(({ bound }, i) => overs[i] > bound.most);
	const setTo = notes.map(({ target, bound }, i) => target + Math.min(overs[i], bound.most));
	return forecast(notes, setTo, coupling).map((point, i) => ({
		...point,
		boundBy: isBound[i] ? notes[i].bound.by : undefined
	}));
}

function halves(notes: readonly NoteToRaise[]): readonly number[] {
	return notes.map(({ now, target }) => (target - now) / 2);
}

/** Shares that would bring an even drop to its target on a usual piano, times the neighbours' mean drop. */
function shares(notes: readonly NoteToRaise[]): readonly number[] {
	const free = { most: Infinity, by: 'rule' as const };
	const even = notes.map((each) => ({ ...each, now: -EVEN, target: 0, bound: free }));
	const points = overpull(even, couplingOf(NOTHING_LEARNED));
	return notes.map(({ note }, i) => {
		const near = notes.filter((other) => Math.abs(other.note - note) <= AVERAGED);
		return (points[i].over / EVEN) * mean(near, ({ now, target }) => target - now)!;
	});
}
