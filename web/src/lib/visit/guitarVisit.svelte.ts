import {
	bestOffsets,
	centsBetween,
	chordPrices,
	FAMILIES,
	FIRST_CHORDS,
	fretPlaceOf,
	groupOf,
	guitarReadings,
	guitarTarget,
	hz,
	isReading,
	noteAt,
	noteName,
	OPEN_SOFT,
	openGroups,
	parseFingering,
	pluckedStrings,
	soundingsOf,
	standingEvents,
	stringSounder,
	type ChordPrice,
	type FingeredChord,
	type Hz,
	type MovedNeck,
	type Neck,
	type PlannedOffsets,
	type PluckedString,
	type PluckReading,
	type Reading,
	type Sounding,
	type TableOptions
} from '@fendrel/core';
import type { FretInstrument } from '$lib/device/books';
import { FIRST_OFFSETS, fretPlanOf } from './fretPlan';
import { isBroken, isGone, ofStringsThatAreOn } from './frets/brokenString';
import { OpenVisit } from './openVisit.svelte';

/** An open string as it stands. */
export interface GuitarString {
	readonly group: number;
	readonly string: number;
	readonly isSecond: boolean;
	/** "Sixth string", and what it gives: "E2". */
	readonly name: string;
	readonly noteName: string;
	readonly gives: string;
	/** Cents from where it is to stand; undefined: not read. */
	readonly off: number | undefined;
	readonly error: number | undefined;
	readonly isRead: boolean;
	readonly isSet: boolean;
	/** It broke in this visit, and no new one has been heard. */
	readonly isBroken: boolean;
}

const isMeasured = (reading: Reading) => reading.lasting?.setUp === 'measured';

/** A visit to strings over fixed frets: what each does when it is plucked, stopped and held down, and the offsets that suit it. */
export class GuitarVisit extends OpenVisit<FretInstrument> {
	readonly family = FAMILIES.frets;
	readonly body: Neck = $derived.by(() => this.instrument.neck);
	readonly compass: readonly number[] = $derived.by(() => openGroups(this.body));
	readonly offsets: PlannedOffsets = $derived.by(
		() =>
			fretPlanOf(this.planned.frets).offsets ?? {
				...FIRST_OFFSETS,
				capo: this.body.capo,
				chords: usualChords(this.body)
			}
	);
	readonly tunedTo: string = $derived.by(() => (this.offsets.use ? `“${this.offsets.use}”` : 'offsets for its chords'));
	/** How it sounds while it is tuned. */
	readonly how: Sounding = $derived.by(() => {
		const { capo, touch } = this.offsets;
		return { fret: 0, capo, touch, isHarmonic: false };
	});
	/** How each string is sounded to be measured. */
	readonly ways: readonly Sounding[] = $derived.by(() =>
		soundingsOf({ frets: this.body.frets, capo: this.offsets.capo || this.body.capo })
	);
	private readonly a4: Hz = $derived.by(() => hz(this.visit.a4));

	/** Everything that was read and counts, in order. */
	private readonly all: readonly Reading[] = $derived.by(() =>
		ofStringsThatAreOn(this.record.report, standingEvents(this.record.report).filter(isReading))
	);
	readonly plucks: readonly PluckReading[] = $derived.by(() => guitarReadings(this.body, this.a4, this.all));
	/** What each string does, from the highest. */
	readonly measured: readonly PluckedString[] = $derived.by(() =>
		pluckedStrings(this.body, this.plucks, this.about.last?.plucked)
	);
	readonly isMeasured: boolean = $derived.by(() => this.plucks.length > 0 || this.about.last?.plucked !== undefined);

	readonly chords: readonly FingeredChord[] = $derived.by(() =>
		this.offsets.chords.flatMap(({ name, fingering, capo, weight }) => {
			const frets = parseFingering(fingering, this.body, capo);
			return frets ? [{ name, capo, weight, frets }] : [];
		})
	);
	private readonly options: TableOptions = $derived.by(() => {
		const { touch, step } = this.offsets;
		return { a4: this.a4, chords: this.chords, touch, step };
	});
	/** The best for the chords, in cents by string. */
	readonly best: readonly number[] = $derived.by(() => bestOffsets(this.body, this.measured, this.options));
	/** Those that are tuned to. */
	readonly used: readonly number[] = $derived.by(() => {
		const { kept, use } = this.offsets;
		return kept.find(({ name }) => name === use)?.offsets ?? this.best;
	});

	/** What every chord costs with these offsets. */
	pricesOf(offsets: readonly number[]): readonly ChordPrice[] {
		return chordPrices(this.body, this.measured, this.options, offsets);
	}

	/** Where a string is to sound: as it is tuned now, or in another way. */
	targetAt(group: number, how: Sounding = this.how): Hz {
		const { string, isSecond } = fretPlaceOf(group);
		const own = guitarTarget(this.body, string, this.measured[string - 1], this.used[string - 1] ?? 0, how, this.a4);
		return isSecond && this.body.strings[string - 1].course === 'octave' ? hz(2 * own) : own;
	}
	/** By that the record counts, however a string was plucked. */
	targetOf(group: number): Hz | undefined {
		return this.compass.includes(group) ? this.targetAt(group, OPEN_SOFT) : undefined;
	}

	/** The last reading of each open string, whichever way it was plucked. */
	private readonly last: ReadonlyMap<number, Reading> = $derived.by(() => {
		const open = this.all.filter(({ sounders }) => fretPlaceOf(groupOf(sounders[0])).fret === 0);
		return new Map(open.map((reading) => [groupOf(reading.sounders[0]), reading]));
	});

	readonly strings: readonly GuitarString[] = $derived.by(() => {
		const { body, measured, used, last, all } = this;
		const { report } = this.record;
		const { sounders } = report;
		return this.compass.map((group): GuitarString => {
			const { string, isSecond } = fretPlaceOf(group);
			const note = noteName(noteAt(body, { string, fret: 0, isSecond }));
			const reading = last.get(group);
			const sounder = stringSounder(group);
			const left = sounders.get(sounder)?.left;
			const { open } = measured[string - 1];
			const how = { fret: 0, ...reading?.lasting?.plucked } as Sounding;
			const off =
				reading && isMeasured(reading) && !isSecond
					? open.cents - (used[string - 1] ?? 0)
					: reading && centsBetween(this.targetAt(group, { ...this.how, ...how }), hz(reading.pitch));
			return {
				...{ group, string, isSecond, name: this.family.groupName(group), noteName: note, gives: note, off },
				...{ error: reading?.pitchError ?? undefined, isRead: reading !== undefined },
				isBroken: isBroken(report, all, sounder),
				isSet: left?.purpose === 'set' && !isGone(report, sounder, left.at)
			};
		});
	});
	/** Offsets that the strings stand at, from the highest; undefined: one is not read. */
	readonly now: readonly number[] | undefined = $derived.by(() => {
		const firsts = this.strings.filter(({ isSecond }) => !isSecond);
		return firsts.every(({ off }) => off !== undefined)
			? firsts.map(({ string, off }) => (this.used[string - 1] ?? 0) + off!)
			: undefined;
	});

	string(group: number): GuitarString | undefined {
		return this.strings.find((each) => each.group === group);
	}

	/** Plans anew what is chosen of the offsets. */
	plan(changes: Partial<PlannedOffsets>): void {
		this.replan({ frets: { ...fretPlanOf(this.planned.frets), offsets: { ...this.offsets, ...changes } } });
	}

	get movedNeck(): MovedNeck {
		return {
			pegs: Object.fromEntries(Object.entries(this.moved).map(([key, [first]]) => [key, first.speaking])),
			frets: {}
		};
	}

	protected madeFrom(): unknown {
		return this.body;
	}
}

/** Chords that a book begins with, as far as the strings know them: over the capo's usual place. */
function usualChords(neck: Neck): PlannedOffsets['chords'] {
	const { capo } = neck;
	return FIRST_CHORDS.flatMap(({ name, fingering }) =>
		parseFingering(fingering, neck, capo) ? [{ name, fingering, capo, weight: 1 }] : []
	);
}
