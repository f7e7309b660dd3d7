import {
	noteClassName,
	noteName,
	type Agreement,
	type Clash,
	type Joining,
	type Moves,
	type Shared
} from '@fendrel/core';
import { fixed, inHz, signed } from '$lib/ui/format';

export const MOVES_NAMES: Record<Moves, string> = {
	nothing: 'nothing',
	pitch: 'its pitch as a whole',
	frets: 'its temperament, not its A',
	everything: 'everything'
};

/** "Vallotti", "Vallotti on G". */
export const sharedName = ({ name, root }: Pick<Shared, 'name' | 'root'>): string =>
	root === 0 ? name : `${name} on ${noteClassName(root)}`;

type Named = readonly { readonly name: string }[];

/** What an ensemble can agree on, in a sentence. */
export function agreementWords({ shared, a4, apart, worst }: Agreement, members: Named): string {
	const where = `${sharedName(shared)} at A4 = ${inHz(a4)} Hz`;
	if (members.length < 2) return `Alone nobody has to agree. ${where} costs least.`;
	if (apart < 0.1 || !worst) return `All can meet in ${where}.`;
	return `${where} brings them nearest: ${members[worst.lower].name} and ${members[worst.upper].name} stay ${fixed(apart, 1)} cents apart on ${noteClassName(worst.worst.note)}.`;
}

/** What a member does to join: "leave it", "move 3.2 cents on the average, 8.1 at most (G♯)". */
export function joiningWords({ moves, cost }: Joining): string {
	if (cost < 0.05) return 'stays as it is';
	const at = moves.reduce((most, move, i) => (Math.abs(move) > Math.abs(moves[most]) ? i : most), 0);
	return `moves ${fixed(cost, 1)} cents on the average, most on ${noteClassName(at)} (${signed(moves[at])})`;
}

/** "C♯4 of the harpsichord with F4 of the viol: 13.7 cents wide, 9.2 beats". */
export function clashWords({ lower, upper, interval, note, off, beats, at }: Clash, members: Named): string {
	const names = [note, note + interval.semitones].map((each) =>
		at === undefined ? noteClassName(each) : noteName(at + (each - note))
	);
	const size =
		interval.semitones === 0
			? `${fixed(Math.abs(off), 1)} cents apart`
			: `${fixed(Math.abs(off), 1)} cents ${off > 0 ? 'wide' : 'narrow'}`;
	const rate = beats === undefined ? 'they never meet' : `${fixed(beats, 1)} beats a second`;
	return `${names[0]} of ${members[lower].name} with ${names[1]} of ${members[upper].name}: ${size}, ${rate}`;
}
