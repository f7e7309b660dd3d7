import { compareHappened, PLAN_FIELDS, type Act, type ActOf, type PlanField, type PlanVersion } from './happened';

/*
 * What people write has versions: an act names those it was written over. Versions that stand side by side, neither written
 * over the other, were made on devices that did not know of each other: where they differ, somebody chooses.
 * (The multi-value register of Shapiro et al. 2011, "A comprehensive study of convergent and commutative replicated data
 * types", for each field of a plan and for the note.)
 */

export type WrittenField = PlanField | 'note';
type Writing = ActOf<'plan'> | ActOf<'note'>;

/** A field that was written differently by those who did not know of each other; the latest comes last and counts until one is chosen. */
export interface Choice {
	readonly field: WrittenField;
	readonly versions: readonly Writing[];
}

/** Which of some acts of one kind were written over which. */
class Lineage<Written extends Writing> {
	private readonly byId: ReadonlyMap<string, Written>;
	private readonly known = new Map<string, ReadonlySet<string>>();

	/** @param acts in order of happening */
	constructor(private readonly acts: readonly Written[]) {
		this.byId = new Map(acts.map((act) => [act.id, act]));
	}

	/** Everything that an act was written over, directly or not. */
	private ancestors(id: string): ReadonlySet<string> {
		const found = this.known.get(id);
		if (found) return found;
		const all = new Set<string>();
		const open = [...this.parents(id)];
		for (let next = open.pop(); next !== undefined; next = open.pop()) {
			if (all.has(next)) continue;
			all.add(next);
			const known = this.known.get(next);
			if (known) for (const each of known) all.add(each);
			else open.push(...this.parents(next));
		}
		this.known.set(id, all);
		return all;
	}

	private parents(id: string): readonly string[] {
		const act = this.byId.get(id);
		if (!act) return [];
		// From before versions were named: each knew of all before it.
		if (!act.over) return this.acts.slice(0, this.acts.indexOf(act)).map((each) => each.id);
		return act.over.filter((each) => this.byId.has(each));
	}

	/** Those among some acts that none of the others was written over; never none of some. */
	heads(among: readonly Written[]): readonly Written[] {
		const heads = among.filter(({ id }) => !among.some((other) => other.id !== id && this.ancestors(other.id).has(id)));
		return heads.length ? heads : among.slice(-1);
	}
}

/** What is written in a visit as it stands. */
export interface Written {
	readonly plan: PlanVersion | undefined;
	readonly note: string;
	/** Versions that whatever is written next is written over, by their ids. */
	readonly heads: { readonly plan: readonly string[]; readonly note: readonly string[] };
	readonly choices: readonly Choice[];
}

const writes = (act: ActOf<'plan'>, field: PlanField) => act.wrote?.includes(field) ?? true;
const VALUES: Record<PlanField, (plan: PlanVersion) => Partial<PlanVersion>> = {
	a4: ({ a4 }) => ({ a4 }),
	temperament: ({ temperamentId }) => ({ temperamentId }),
	tolerance: ({ tolerance }) => ({ tolerance }),
	curve: ({ curveId, lead }) => ({ curveId, lead }),
	raise: ({ raise = null }) => ({ raise }),
	touch: ({ touch = null }) => ({ touch }),
	order: ({ order = null }) => ({ order }),
	intonation: ({ intonation = null }) => ({ intonation }),
	frets: ({ frets = null }) => ({ frets })
};
const isSame = (one: object, other: object) => JSON.stringify(one) === JSON.stringify(other);

/** What a plan says of one field: an A4, a temperament, a tolerance, or a curve. */
export function planField(plan: PlanVersion, field: PlanField): Partial<PlanVersion> {
	return VALUES[field](plan);
}

/** @param acts of the visit as a whole, those that stand, in any order */
export function writtenOf(acts: readonly Act[]): Written {
	const inOrder = [...acts].sort(compareHappened);
	const plans = inOrder.filter((act): act is ActOf<'plan'> => act.do === 'plan');
	const notes = inOrder.filter((act): act is ActOf<'note'> => act.do === 'note');
	const choices: Choice[] = [];
	const planLineage = new Lineage(plans);
	// What nobody chose is as the visit began with it.
	let plan = plans.length ? { ...plans[0].plan, id: plans[plans.length - 1].plan.id } : undefined;
	for (const field of plan ? PLAN_FIELDS : []) {
		const heads = planLineage.heads(plans.filter((act) => writes(act, field)));
		const last = heads.at(-1);
		if (!last) continue;
		const value = planField(last.plan, field);
		plan = { ...plan!, ...value };
		const versions = heads.filter((act, i) => i === heads.length - 1 || !isSame(planField(act.plan, field), value));
		if (versions.length > 1) choices.push({ field, versions });
	}
	const noteHeads = new Lineage(notes).heads(notes);
	const note = noteHeads.at(-1)?.text ?? '';
	const versions = noteHeads.filter((act, i) => i === noteHeads.length - 1 || act.text !== note);
	if (versions.length > 1) choices.push({ field: 'note', versions });
	const ids = (heads: readonly Writing[]) => heads.map(({ id }) => id);
	return { plan, note, heads: { plan: ids(planLineage.heads(plans)), note: ids(noteHeads) }, choices };
}
