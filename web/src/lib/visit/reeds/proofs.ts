import {
	BREATHS,
	chordBeats,
	chordsOf,
	compareReeds,
	octavesOf,
	outOfTune,
	reedGroup,
	type Breath,
	type HeardInterval,
	type PairBeat,
	type ReedPlace,
	type StandingReed,
	type TwoReeds
} from '@fendrel/core';
import type { ReedState, ReedVisit } from '../reedVisit.svelte';
import { beatWords, partialsOf, roughestOf, STILL_BEAT } from './reedWords';
import { fixed } from '$lib/ui/format';

/** An octave or a chord that is to be played, at each breath. */
export interface Proof {
	readonly id: string;
	readonly name: string;
	readonly groups: readonly number[];
	readonly pairs: readonly {
		readonly lower: number;
		readonly upper: number;
		readonly partials: readonly [lowerPartial: number, upperPartial: number];
		readonly is: string;
	}[];
}

const groupOf = ({ hole, plate }: ReedPlace) => reedGroup(hole, plate);

/** Every octave and chord that the set can play, octaves first. */
export function proofsOf({ body }: Pick<ReedVisit, 'body'>): readonly Proof[] {
	const { holes } = body.layout;
	return [...octavesOf(holes), ...chordsOf(holes)].flatMap((reeds: readonly ReedPlace[]) => {
		const pairs = reeds.flatMap((lower, i) =>
			reeds.slice(i + 1).flatMap((upper) => {
				const kind = partialsOf(upper.note - lower.note);
				if (!kind || kind.semitones === 0) return [];
				return [
					{
						...{ lower: groupOf(lower), upper: groupOf(upper), is: kind.name },
						partials: [kind.lowerPartial, kind.upperPartial] as const
					}
				];
			})
		);
		if (pairs.length === 0) return [];
		const groups = reeds.map(groupOf);
		const plate = reeds[0].plate === 'blow' ? 'Blow' : 'Draw';
		return [{ id: groups.join(), name: `${plate} ${reeds.map(({ hole }) => hole).join('-')}`, groups, pairs }];
	});
}

const keyOf = ({ lower, upper }: { readonly lower: number; readonly upper: number }, breath: Breath) =>
	`${lower} ${upper} ${breath}`;

/** What was heard of each pair at each breath. */
export function heardOf({ record }: Pick<ReedVisit, 'record'>): ReadonlyMap<string, HeardInterval> {
	return new Map(
		record.report.heard.flatMap((each) => (each.breath ? [[keyOf(each, each.breath), each] as const] : []))
	);
}

/** A proof as it stands: what was heard at each breath, and what follows. */
export interface Proved extends Proof {
	/** The roughest pair at each breath; undefined: not heard. */
	readonly heard: readonly (HeardInterval | undefined)[];
	readonly missing: Breath | undefined;
	/** What to do, in words; undefined while it has not been heard as one plays. */
	readonly advice: string | undefined;
	readonly isStill: boolean;
}

/** Pairs of a chord that tell that it was heard. */
const TOLD = 2;

const roughest = (all: readonly HeardInterval[]) =>
	all.reduce<HeardInterval | undefined>(
		(most, each) => (!most || Math.abs(each.rate) > Math.abs(most.rate) ? each : most),
		undefined
	);

const alone = ({ off, standing }: ReedState, gentle: number) => ({
	...{ off: off!, offError: standing!.error, level: gentle },
	...standing!.slope
});

/** Of two reeds an octave apart, which is to move: from each by itself, and from the beat that was heard. */
export function compareAlone(open: ReedVisit, [low, high]: readonly number[]): TwoReeds | undefined {
	const [lower, upper] = [open.reed(low), open.reed(high)];
	if (!lower?.standing || !upper?.standing) return undefined;
	const { gentle, playing } = open.levels;
	return compareReeds(alone(lower, gentle), alone(upper, gentle), playing);
}

/** What beats faster than that a second is heard. */
const SURELY_HEARD = 1;

function octaveAdvice(open: ReedVisit, proof: Proof, heard: Proved['heard']): string | undefined {
	const { groups } = proof;
	const name = open.family.groupName;
	const [soft, normal, hard] = heard;
	if (!normal) return undefined;
	// Of an octave one reed alone sounds as both do when they are one.
	const expected = expectedOf(open, proof)[BREATHS.indexOf('normal')]?.rate ?? 0;
	if (normal.rate === 0 && Math.abs(expected) > SURELY_HEARD)
		return `No beat was heard, where they stand ${fixed(Math.abs(expected), 1)} a second apart by themselves. Did both sound?`;
	if (Math.abs(normal.rate) < STILL_BEAT) return 'Still as one plays: leave it.';
	const told = compareAlone(open, groups);
	// The beat says which is too high; that it dies away when blown harder says the same of the lower one.
	if (normal.sense === 'narrow') {
		const dies = hard && Math.abs(hard.rate) < STILL_BEAT ? ', and it is still only when blown hard' : '';
		return `${name(groups[0])} is too high${dies}: lower it${told?.sharp === 'lower' ? `, ${fixed(Math.abs(told.apart), 1)} cents` : ''}.`;
	}
	if (normal.sense === 'wide') {
		const grows = soft && Math.abs(soft.rate) < Math.abs(normal.rate) ? ', and the more the harder' : '';
		return `${name(groups[1])} is too high${grows}: raise ${name(groups[0])} or lower ${name(groups[1])}.`;
	}
	if (!told || told.advice === 'cannot be told')
		return 'It beats, and which of the two must move cannot be told: read each by itself once more.';
	return told.sharp === 'upper' ? `Raise ${name(groups[0])} or lower ${name(groups[1])}.` : `Lower ${name(groups[0])}.`;
}

function chordAdvice(open: ReedVisit, { pairs }: Proof, at: readonly HeardInterval[]): string | undefined {
	const name = open.family.groupName;
	const most = roughest(at);
	if (!most) return undefined;
	if (Math.abs(most.rate) < STILL_BEAT) return 'Still as one plays: leave it.';
	const beats: PairBeat<number>[] = at.map(({ lower, upper, rate }) => ({ lower, upper, rate }));
	const out = outOfTune(beats);
	const rough = pairs.find(({ lower, upper }) => lower === most.lower && upper === most.upper)!;
	const pitch = open.reed(most.upper)?.standing?.pitch ?? open.targetOf(most.upper)!;
	const off = 1200 * Math.log2(1 + most.rate / (most.upperPartial * pitch));
	const said = `Roughest: ${name(most.lower)} with ${name(most.upper)}, the ${rough.is}, ${beatWords(most.rate)} a second, ${fixed(Math.abs(off), 1)} cents.`;
	return out === undefined ? said : `${said} ${name(out)} stands outside the pair that is still.`;
}

export function provedReeds(open: ReedVisit): readonly Proved[] {
	const heard = heardOf(open);
	return proofsOf(open).map((proof) => {
		const at = (breath: Breath) => proof.pairs.flatMap((pair) => heard.get(keyOf(pair, breath)) ?? []);
		// Chords share pairs: one that was heard in another chord does not make this one heard.
		const enough = Math.min(TOLD, proof.pairs.length);
		const heardAt = (breath: Breath) => (at(breath).length >= enough ? at(breath) : []);
		const each = BREATHS.map((breath) => roughest(heardAt(breath)));
		const normal = heardAt('normal');
		return {
			...{ ...proof, heard: each, missing: BREATHS.find((_, i) => !each[i]) },
			advice: proof.groups.length === 2 ? octaveAdvice(open, proof, each) : chordAdvice(open, proof, normal),
			isStill: normal.length > 0 && normal.every(({ rate }) => Math.abs(rate) < STILL_BEAT)
		};
	});
}

/** Beats of a proof's pairs at each breath, as its reeds stand or as they are planned; none where one has not been read. */
export function beatsOf(
	open: ReedVisit,
	{ groups }: Proof,
	as: 'now' | 'planned'
): readonly (readonly PairBeat<StandingReed>[])[] {
	const playing = open.playing(as);
	const own = groups.flatMap((group) => playing.find(({ hole, plate }) => reedGroup(hole, plate) === group) ?? []);
	return BREATHS.map((breath) => (own.length < groups.length ? [] : chordBeats(open.tonic, own, open.harder(breath))));
}

/** How a proof is expected to beat, as its reeds stand: the roughest pair at each breath. */
export const expectedOf = (open: ReedVisit, proof: Proof) => beatsOf(open, proof, 'now').map(roughestOf);
