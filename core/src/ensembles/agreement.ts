import { offsetsFromEqual, transposed, type Temperament } from '../temperament/temperament';
import { hz, type Hz } from '../units/quantity';
import { levelsOf, unisonsApart, type Member, type PairApart } from './ensemble';

/** A temperament that an ensemble might share: by name and root, or in between what cannot move. */
export interface Shared {
	readonly id: string;
	readonly name: string;
	/** Note class that its C has become. */
	readonly root: number;
	/** Cents from equal temperament by note class, C first, with A at 0. */
	readonly offsets: readonly number[];
}

/** What a member does to join. */
export interface Joining {
	readonly member: Member;
	/** As it is tuned then. */
	readonly then: Pick<Member, 'a4' | 'offsets'>;
	/** Cents by note class, and their mean without sign. */
	readonly moves: readonly number[];
	readonly cost: number;
}

/** An ensemble that has agreed. */
export interface Agreement {
	readonly shared: Shared;
	readonly a4: Hz;
	readonly joining: readonly Joining[];
	/** The two that stand furthest apart then. */
	readonly worst: PairApart | undefined;
	/** Cents of that pair, and of all moves on the average. */
	readonly apart: number;
	readonly cost: number;
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / (values.length || 1);
const middle = (values: readonly number[]) => (Math.min(...values) + Math.max(...values)) / 2;
const A = 9;

const withAAtZero = (levels: readonly number[]) => levels.map((level) => level - levels[A]);
const toMember = (levels: readonly number[]): Pick<Member, 'a4' | 'offsets'> => ({
	...{ a4: hz(440 * 2 ** (levels[A] / 1200)), offsets: withAAtZero(levels) }
});

/** The level at which what cannot follow stands off least: half-way between its highest and its lowest. */
function levelFor(members: readonly Member[], offsets: readonly number[]): number {
	const bound = members.flatMap((member) => {
		const levels = levelsOf(member);
		if (member.moves === 'nothing') return levels.map((level, i) => level - offsets[i]);
		if (member.moves === 'frets') return [levels[A] - offsets[A]];
		return [];
	});
	if (bound.length) return middle(bound);
	// Nobody is bound: where most of them are.
	const levels = members
		.map((member) => mean(levelsOf(member).map((level, i) => level - offsets[i])))
		.sort((a, b) => a - b);
	return levels[Math.floor((levels.length - 1) / 2)];
}

function joined(member: Member, offsets: readonly number[], level: number): readonly number[] {
	const own = levelsOf(member);
	const target = offsets.map((offset) => level + offset);
	if (member.moves === 'nothing') return own;
	if (member.moves === 'everything') return target;
	if (member.moves === 'frets') return offsets.map((offset) => own[A] + offset - offsets[A]);
	const by = middle(target.map((wanted, i) => wanted - own[i]));
	return own.map((each) => each + by);
}

/** What comes of a temperament that all take as far as they can. */
export function agreeOn(members: readonly Member[], shared: Shared): Agreement {
	const level = levelFor(members, shared.offsets);
	const joining = members.map((member): Joining => {
		const now = levelsOf(member);
		const levels = joined(member, shared.offsets, level);
		const moves = levels.map((each, i) => each - now[i]);
		return { member, then: toMember(levels), moves, cost: mean(moves.map(Math.abs)) };
	});
	const apart = unisonsApart(joining.map(({ member, then }) => ({ ...member, ...then })));
	const worst = apart.reduce<PairApart | undefined>(
		(worst, each) => (worst && Math.abs(worst.worst.off) >= Math.abs(each.worst.off) ? worst : each),
		undefined
	);
	return {
		...{ shared, joining, worst, apart: Math.abs(worst?.worst.off ?? 0), cost: mean(joining.map(({ cost }) => cost)) },
		a4: hz(440 * 2 ** ((level + shared.offsets[A]) / 1200))
	};
}

/** Every temperament on every root, once each. */
export function sharedCandidates(library: readonly Pick<Temperament, 'id' | 'name' | 'tuning'>[]): readonly Shared[] {
	const seen = new Set<string>();
	return library.flatMap(({ id, name, tuning }) =>
		Array.from({ length: 12 }, (_, step) => (7 * step) % 12).flatMap((root): Shared[] => {
			const offsets = offsetsFromEqual(transposed({ tuning }, root));
			const key = offsets.map((offset) => offset.toFixed(2)).join();
			if (seen.has(key)) return [];
			seen.add(key);
			return [{ id, name, root, offsets }];
		})
	);
}

/** Half-way between those that cannot move, note by note: nothing comes nearer to all of them. */
function inBetween(members: readonly Member[]): Shared | undefined {
	const fixed = members.filter(({ moves }) => moves === 'nothing');
	if (fixed.length < 2) return undefined;
	const levels = fixed[0].offsets.map((_, i) => middle(fixed.map((member) => levelsOf(member)[i])));
	return { id: 'between', name: 'Half-way between those that cannot move', root: 0, offsets: withAAtZero(levels) };
}

/** Cents that count as nothing between two agreements. */
const AS_GOOD = 0.05;

/** What the ensemble might agree on: the worst pair best, and of those the one that costs least. Library temperaments come first. */
export function agreements(members: readonly Member[], candidates: readonly Shared[], most = 8): readonly Agreement[] {
	if (members.length === 0) return [];
	const between = inBetween(members);
	const all = [...candidates, ...(between ? [between] : [])].map((shared) => agreeOn(members, shared));
	const step = (value: number) => Math.round(value / AS_GOOD);
	return all.sort((a, b) => step(a.apart) - step(b.apart) || a.cost - b.cost).slice(0, most);
}

/** Members between whom nothing can be done: no pitch that both could take. */
export function cannotMeet(members: readonly Member[], within: number): readonly PairApart[] {
	const fixed = members.map((member, i) => ({ member, i })).filter(({ member: { moves } }) => moves === 'nothing');
	return unisonsApart(members).filter(
		({ lower, upper, worst }) =>
			fixed.some(({ i }) => i === lower) && fixed.some(({ i }) => i === upper) && Math.abs(worst.off) > within
	);
}
