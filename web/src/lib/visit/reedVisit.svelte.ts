import {
	adviseFiling,
	bitesOf,
	breathLevels,
	cents,
	centsBetween,
	equalHz,
	FAMILIES,
	floorsOf,
	followOctaves,
	groupOf,
	hz,
	isReading,
	openBite,
	REED_SET_UPS,
	reedNote,
	reedPlaceOf,
	reedSounder,
	reedStanding,
	reedTargets,
	standingEvents,
	strokeSize,
	strokesAt,
	usualSlope,
	degreeOf,
	type Bite,
	type Breath,
	type StandingReed,
	type BendFloors,
	type BreathLevels,
	type FilingAdvice,
	type Hz,
	type OpenBite,
	type Reading,
	type ReedSet,
	type ReedStanding,
	type ReedTarget,
	type ReedSetUp,
	type BreathSlope,
	type ReedEnd,
	type StrokeSize
} from '@fendrel/core';
import type { ReedInstrument } from '$lib/device/books';
import { OpenVisit } from './openVisit.svelte';
import { reedPlanOf, type ReedPlan } from './reedPlan';
import { LEVEL_NAMES } from './intonationWords';

/** A reed as it stands, against where it is to stand. */
export interface ReedState extends ReedTarget {
	/** "Blow 5", and the note that it gives. */
	readonly name: string;
	readonly noteName: string;
	readonly standing: ReedStanding | undefined;
	/** Cents from its target at gentle breath: above 0 too high; undefined: not read since it was filed. */
	readonly off: number | undefined;
	readonly bites: readonly Bite[];
	/** Strokes at either end, in this visit. */
	readonly tip: number;
	readonly root: number;
	/** Strokes that nobody has read after yet. */
	readonly bite: OpenBite | undefined;
	readonly advice: FilingAdvice | undefined;
	/** How it follows the breath, as it is thought until it has been measured. */
	readonly slope: BreathSlope;
	/** What a stroke at its tip or root does. */
	readonly stroke: (end: ReedEnd) => StrokeSize;
	readonly degree: string;
	readonly state: 'unread' | 'read' | 'set';
	/** Taken as set after it was filed last. */
	readonly isSet: boolean;
}

/** Breaths as they are thought to be heard while nobody has sounded a reed. */
const UNHEARD: BreathLevels = { gentle: -30, playing: -20 };

/** A visit to a set of free reeds: how each stands, where it is to stand, and what to file. */
export class ReedVisit extends OpenVisit<ReedInstrument> {
	readonly family = FAMILIES.reeds;
	readonly body: ReedSet = $derived.by(() => this.instrument.reeds);
	readonly compass: readonly number[] = $derived.by(() => this.family.groups(this.body));
	readonly intonation: ReedPlan = $derived.by(() => reedPlanOf(this.planned.intonation));
	readonly tunedTo: string = $derived.by(() => LEVEL_NAMES[this.intonation.level]);

	/** Said on the page; else as the last reading was made. */
	private saidSetUp = $state<ReedSetUp | undefined>();
	private readonly all: readonly Reading[] = $derived.by(() =>
		standingEvents(this.record.report)
			.filter(isReading)
			.filter(({ lasting }) => lasting)
	);
	readonly setUp: ReedSetUp = $derived.by(
		() => this.saidSetUp ?? REED_SET_UPS.find((each) => each === this.all.at(-1)?.lasting?.setUp) ?? 'block'
	);
	private readonly byGroup = $derived.by(() => {
		const groups = new Map<number, Reading[]>();
		for (const reading of this.all) {
			const group = groupOf(reading.sounders[0]);
			groups.set(group, [...(groups.get(group) ?? []), reading]);
		}
		return groups;
	});
	/** The two breaths, as they are planned or as they were heard. */
	readonly levels: BreathLevels = $derived.by(() => {
		const { gentle, playing } = this.intonation;
		if (gentle !== null && playing !== null) return { gentle, playing };
		const own = this.all.filter(({ lasting }) => lasting!.setUp === this.setUp);
		return breathLevels(own.map(({ lasting }) => lasting!)) ?? UNHEARD;
	});
	/** Where this player's bends end, as they were played. */
	readonly floors: BendFloors = $derived.by(() =>
		floorsOf(
			this.record.report.bent.map(({ floor, over, beneath }) => ({
				...{ floor: centsBetween(hz(over), hz(floor)), beneath: 0 },
				by: reedPlaceOf(beneath).role === 'auxiliary' ? ('auxiliary' as const) : ('reed' as const)
			}))
		)
	);
	/** Where reeds are to stand, by what is known of how each follows the breath. */
	private readonly ownTargets: readonly ReedTarget[] = $derived.by(() => {
		const known = new Map(
			this.plain.map(({ group, nominal }) => {
				const standing = this.standing(group, nominal);
				return [group, standing?.isSlopeRead ? standing.slope : undefined] as const;
			})
		);
		return reedTargets(this.body, { ...this.basis, slopeOf: (group) => known.get(group) });
	});
	/** The same; where octaves are to be still, a reed follows the one of its octave that is set. */
	private readonly targets: readonly ReedTarget[] = $derived.by(() => {
		const own = new Map(this.ownTargets.map((target) => [target.group, target]));
		return followOctaves(this.body, this.ownTargets, this.intonation.level, (group) => {
			const { nominal, pitch } = own.get(group)!;
			const standing = this.isSetNow(group) ? this.standing(group, nominal) : undefined;
			return standing && centsBetween(pitch, standing.pitch);
		});
	});
	private readonly basis = $derived.by(() => ({
		...{ a4: hz(this.visit.a4), intonation: this.intonation, levels: this.levels, floors: this.floors }
	}));
	private readonly plain = $derived.by(() => reedTargets(this.body, { ...this.basis, slopeOf: () => undefined }));

	readonly reeds: readonly ReedState[] = $derived.by(() => this.targets.map((target) => this.stateOf(target)));

	reed(group: number): ReedState | undefined {
		return this.reeds.find((each) => each.group === group);
	}

	targetOf(group: number): Hz | undefined {
		return this.targets.find((each) => each.group === group)?.pitch;
	}

	/** Reeds that are played, as they sound at playing breath: as they stand, or as they are planned. */
	playing(as: 'now' | 'planned'): readonly StandingReed[] {
		const louder = this.levels.playing - this.levels.gentle;
		return this.reeds.flatMap(({ hole, plate, note, role, slope, nominal, playing, standing }) => {
			if (role !== 'own' || (as === 'now' && !standing)) return [];
			const offset = as === 'planned' ? playing : centsBetween(nominal, standing!.pitch) + slope.slope * louder;
			return [{ hole, plate, note, offset: cents(offset), breath: slope }];
		});
	}

	/** Decibels of a breath over playing breath. */
	harder(breath: Breath): number {
		const louder = this.levels.playing - this.levels.gentle;
		return breath === 'soft' ? -louder : breath === 'normal' ? 0 : HARD * louder;
	}

	/** The lowest tonic in equal temperament, in Hz. */
	readonly tonic: Hz = $derived.by(() => equalHz(this.body.tonic, hz(this.visit.a4)));

	choose(setUp: ReedSetUp): void {
		this.saidSetUp = setUp;
	}

	protected madeFrom(): unknown {
		return undefined;
	}

	private filed(group: number) {
		const sounder = reedSounder(group);
		return this.record.report.filed.filter(({ sounders }) => sounders[0] === sounder);
	}

	/** Taken as set, and not filed since. */
	private isSetNow(group: number): boolean {
		const left = this.record.report.sounders.get(reedSounder(group))?.left;
		return left !== undefined && left.purpose === 'set' && this.filed(group).every(({ at }) => at <= left.at);
	}

	private standing(group: number, nominal: Hz): ReedStanding | undefined {
		const { setUp, levels } = this;
		return reedStanding(this.byGroup.get(group) ?? [], this.filed(group), setUp, nominal, levels.gentle);
	}

	private stateOf(target: ReedTarget): ReedState {
		const { group, nominal, pitch } = target;
		const filed = this.filed(group);
		const readings = this.byGroup.get(group) ?? [];
		const standing = this.standing(group, nominal);
		const off = standing && centsBetween(pitch, standing.pitch);
		const bites = bitesOf(readings, filed, this.setUp, nominal, this.levels.gentle);
		const isSet = this.isSetNow(group);
		return {
			...target,
			...{ name: this.family.groupName(group), noteName: reedNote(this.body, target), standing, off, bites },
			...{ slope: standing?.slope ?? usualSlope(nominal), degree: degreeOf(target.note) },
			stroke: (end: ReedEnd) => strokeSize(bites, end, nominal),
			state: isSet ? ('set' as const) : standing ? ('read' as const) : ('unread' as const),
			...{ tip: strokesAt(filed, 'tip'), root: strokesAt(filed, 'root'), bite: openBite(readings, filed) },
			advice:
				off === undefined ? undefined : adviseFiling(off, this.visit.tolerance, bites, nominal, this.intonation.bite),
			isSet
		};
	}
}

/** Hard breath is louder than playing breath by that share of what that is louder than gentle breath. */
const HARD = 0.4;
