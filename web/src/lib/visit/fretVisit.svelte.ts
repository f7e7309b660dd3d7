import {
	centsBetween,
	FAMILIES,
	fretGroup,
	fretMap,
	fretPlaceOf,
	fretReadings,
	fretTargets,
	groupOf,
	hz,
	isReading,
	isTied,
	keyWeights,
	neckStanding,
	noteName,
	parseKeys,
	soundedName,
	standingEvents,
	stringSounder,
	type FretAdvice,
	type FretTarget,
	type Hz,
	type MovedNeck,
	type Neck,
	type NeckStanding,
	type Reading
} from '@fendrel/core';
import type { FretInstrument } from '$lib/device/books';
import { inSentence } from '$lib/ui/format';
import { fretPlanOf, type FretPlan } from './fretPlan';
import { takenFrom } from './ground';
import { isBroken, isGone, ofStringsThatAreOn } from './frets/brokenString';
import { OpenVisit } from './openVisit.svelte';

/** A string, open or stopped, as it stands. */
export interface StringState extends FretTarget {
	readonly string: number;
	readonly fret: number;
	readonly isSecond: boolean;
	/** "Third string", and what it gives: "E3", "F3 on E3". */
	readonly name: string;
	readonly gives: string;
	readonly noteName: string;
	/** As it was read last. */
	readonly reading: Reading | undefined;
	/** Cents from its target: above 0 too high; undefined: neither read nor told by others. */
	readonly off: number | undefined;
	readonly error: number | undefined;
	/** Read, and not moved since. */
	readonly isRead: boolean;
	readonly isSet: boolean;
	/** It broke in this visit, and no new one has been heard. */
	readonly isBroken: boolean;
}

/** A string that was moved so far moves the others, in cents. */
const PULLS = 20;

/** A visit to strings over frets: how each stands, open and stopped, and where each fret goes. */
export class FretVisit extends OpenVisit<FretInstrument> {
	readonly family = FAMILIES.frets;
	readonly body: Neck = $derived.by(() => this.instrument.neck);
	/** What is set: the open strings. */
	readonly compass: readonly number[] = $derived.by(() =>
		this.family.groups(this.body).filter((group) => fretPlaceOf(group).fret === 0)
	);
	readonly temperament = $derived.by(() => takenFrom(this.about, this.planned).temperament);
	readonly tunedTo: string = $derived.by(() => inSentence(this.temperament.name));
	readonly frets: FretPlan = $derived.by(() => fretPlanOf(this.planned.frets));

	readonly targets: readonly FretTarget[] = $derived.by(() =>
		fretTargets(this.body, { a4: hz(this.visit.a4), temperament: this.temperament, spelled: this.frets.spelled })
	);
	private readonly pitches: ReadonlyMap<number, Hz> = $derived.by(
		() => new Map(this.targets.map(({ group, pitch }) => [group, pitch]))
	);
	/** Everything that was read and counts, in order. */
	private readonly all: readonly Reading[] = $derived.by(() =>
		ofStringsThatAreOn(this.record.report, standingEvents(this.record.report).filter(isReading))
	);
	private readonly last: ReadonlyMap<number, Reading> = $derived.by(
		() => new Map(this.all.map((reading) => [groupOf(reading.sounders[0]), reading]))
	);
	private readonly placed = $derived.by(() =>
		fretReadings(this.body, this.pitches, this.all, this.record.report.fretMoved)
	);
	/** The neck as what was read tells it. */
	readonly standing: NeckStanding = $derived.by(() =>
		neckStanding(
			this.body,
			(string, fret) => centsBetween(this.pitches.get(fretGroup(string))!, this.pitches.get(fretGroup(string, fret))!),
			this.placed
		)
	);
	/** Whether anything was read of a stopped string. */
	readonly isSurveyed: boolean = $derived.by(() => this.placed.length > 0);
	/** Where each fret goes, from the first. */
	readonly map: readonly FretAdvice[] = $derived.by(() => {
		if (!isTied(this.body)) return [];
		const { step } = this.frets;
		return fretMap(this.body, this.standing, { step, within: FRET_TOLERANCE, weightOf: this.weightOf });
	});

	/** How much a string counts at a fret: as the plan weighs strings, and by the keys that are played. */
	readonly weightOf = $derived.by(() => {
		const { weights, keys } = this.frets;
		const { lowest, highest } = this.instrument;
		const read = parseKeys(keys);
		const byNote = new Map('wrong' in read || read.length === 0 ? [] : keyWeights(read, lowest, highest));
		return (string: number, fret: number) =>
			(weights[string - 1] ?? 1) * (byNote.get(this.body.strings[string - 1].note + fret) ?? 1);
	});

	readonly strings: readonly StringState[] = $derived.by(() => {
		const { targets, last, placed, body, family } = this;
		const { report } = this.record;
		const { sounders } = report;
		const notes = new Map(
			placed.length ? this.standing.notes.map((note) => [fretGroup(note.string, note.fret), note]) : []
		);
		const stale = new Set(placed.flatMap(({ string, fret, isStale }) => (isStale ? [fretGroup(string, fret)] : [])));
		const all = this.all;
		return targets.map((target): StringState => {
			const { group, pitch, note } = target;
			const place = fretPlaceOf(group);
			const sounder = stringSounder(group);
			const left = sounders.get(sounder)?.left;
			const reading = last.get(group);
			const known = notes.get(group);
			// Open ones stand as they were read; a stopped one as it will sound once its open string is right.
			const open = place.fret === 0 ? reading : undefined;
			return {
				...{ ...target, ...place, reading, isBroken: isBroken(report, all, sounder) },
				isSet: left?.purpose === 'set' && !isGone(report, sounder, left.at),
				...{ name: family.groupName(group), gives: soundedName(body, group), noteName: noteName(note) },
				off: open ? centsBetween(pitch, hz(open.pitch)) : known?.off,
				error: open ? (open.pitchError ?? undefined) : known?.error,
				isRead: open !== undefined || (known?.isRead === true && !stale.has(group))
			};
		});
	});
	/** Open strings and the second ones of courses. */
	readonly open: readonly StringState[] = $derived.by(() => this.strings.filter(({ fret }) => fret === 0));

	string(group: number): StringState | undefined {
		return this.strings.find((each) => each.group === group);
	}

	targetOf(group: number): Hz | undefined {
		return this.pitches.get(group);
	}

	/** Strings that another one's turn may have moved since they were read: those set before one that went far. */
	readonly pulled: ReadonlySet<number> = $derived.by(() => {
		const seen = new Map<number, number>();
		const pulled = new Set<number>();
		for (const reading of this.all) {
			const group = groupOf(reading.sounders[0]);
			const { fret, isSecond } = fretPlaceOf(group);
			if (fret > 0 || isSecond) continue;
			const off = centsBetween(this.pitches.get(group) ?? hz(reading.pitch), hz(reading.pitch));
			const before = seen.get(group);
			pulled.delete(group);
			if (before !== undefined && Math.abs(off - before) > PULLS)
				for (const other of seen.keys()) if (other !== group) pulled.add(other);
			seen.set(group, off);
		}
		return pulled;
	});

	/** What the simulated neck's pegs and frets have been moved by. */
	get movedNeck(): MovedNeck {
		const pegs: Record<number, number> = {};
		const frets: Record<number, { low: number; high: number }> = {};
		for (const [key, [first, second]] of Object.entries(this.moved)) {
			const { fret } = fretPlaceOf(Number(key));
			if (fret === 0) pegs[Number(key)] = first.speaking;
			else frets[fret] = { low: first.speaking, high: second.speaking };
		}
		return { pegs, frets };
	}

	protected madeFrom(): unknown {
		return this.temperament;
	}
}

/** Cents within which a stopped string is right: gut is no steadier. */
export const FRET_TOLERANCE = 3;
