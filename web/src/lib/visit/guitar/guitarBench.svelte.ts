import {
	centsBetween,
	FALL_MOMENTS,
	fretGroup,
	fretPlaceOf,
	hz,
	nearestNote,
	noteName,
	pluckSound,
	soundedAt,
	type Hz,
	type LastingReading,
	type Reading,
	type Sounding
} from '@fendrel/core';
import { signed } from '$lib/ui/format';
import { StringBench, type DueSound } from '../frets/stringBench.svelte';
import type { GuitarVisit } from '../guitarVisit.svelte';
import { soundName, soundWords } from './guitarWords';

/** A reading this far from what is due is something else, in cents. */
const ANOTHERS = 150;
/** Ways to sound a group are told apart by so many. */
const WAYS = 10_000;

const dueOf = (group: number, way: number) => WAYS * way + group;

/**
 * Strings over fixed frets: either each in all the ways that tell what it does, or each as it is played while it is tuned. What is due
 * is a group, and the way in which it is sounded.
 */
export class GuitarBench extends StringBench<GuitarVisit> {
	/** @param onRead told of each reading that was kept: it says what comes next */
	constructor(
		open: GuitarVisit,
		private readonly does: 'measured' | 'played',
		private readonly onRead: (reading: Reading, group: number) => void
	) {
		super(open, () => (does === 'measured' ? toMeasure(open) : open.compass), null);
	}

	protected override groupAt(due: number): number {
		return due % WAYS;
	}

	/** Everything that is to be sounded, in order. */
	get all(): readonly number[] {
		return this.order();
	}

	/** Where the finger is. */
	private get soundedGroup(): number {
		const { string, isSecond } = fretPlaceOf(this.groupAt(this.due));
		return fretGroup(string, this.how.fret, isSecond);
	}

	/** How what is due is sounded. */
	get how(): Sounding {
		const { open, due } = this;
		return this.does === 'measured' ? open.ways[Math.floor(due / WAYS)] : open.how;
	}

	get string(): DueSound | undefined {
		const { open, due } = this;
		const { string } = fretPlaceOf(this.groupAt(due));
		if (this.does === 'played') return open.string(this.groupAt(due));
		const read = this.readAt(due);
		return {
			name: `${open.family.groupName(fretGroup(string))}, ${soundName(this.how)}`,
			noteName: noteName(soundedAt(open.body, string, this.how, hz(open.visit.a4)).note),
			off: read?.off,
			isRead: read !== undefined
		};
	}

	/** The last reading of a string in one of the ways. */
	readAt(due: number) {
		const { string } = fretPlaceOf(this.groupAt(due));
		const how = this.open.ways[Math.floor(due / WAYS)];
		return this.open.plucks.findLast(
			(each) =>
				each.string === string &&
				each.fret === how.fret &&
				each.capo === how.capo &&
				each.touch === how.touch &&
				each.isHarmonic === how.isHarmonic
		);
	}

	get says(): string {
		if (this.sounds) return 'It sounds; it is read by and by.';
		if (this.listening.state !== 'on') return 'Press Listen.';
		return soundWords(this.how);
	}

	get ways() {
		const sound = (touch: number) => () =>
			void this.listening.simulated?.pluck(pluckSound(this.sounded, this.soundedGroup, touch, ++this.times, this.how));
		const { touch } = this.how;
		return this.does === 'measured'
			? [{ label: 'Pluck it so', sound: sound(touch) }]
			: [{ label: 'Pluck it as it is played', sound: sound(touch) }];
	}

	protected fromTarget(due: number, pitch: number): number | undefined {
		return centsBetween(this.targetFor(due), hz(pitch));
	}

	protected override heldAt(due: number) {
		return this.targetFor(due);
	}

	/** What is measured is counted from equal temperament; what is played from where it is to stand. */
	private targetFor(due: number): Hz {
		const group = this.groupAt(due);
		return this.does === 'played' ? this.open.targetAt(group) : this.equalAt(group, this.how);
	}

	private equalAt(group: number, how: Pick<Sounding, 'fret' | 'capo'>): Hz {
		const { open } = this;
		return soundedAt(open.body, fretPlaceOf(group).string, how, hz(open.visit.a4)).pitch;
	}

	protected read(told: LastingReading): void {
		const { due, open } = this;
		// Hard plucks are read as they begin: a moment later they have fallen.
		const early = this.how.touch > 0 ? told.fall?.at.find(({ moment }) => moment === FALL_MOMENTS[0]) : undefined;
		const reading = early ? { ...told, pitch: early.pitch, error: early.error } : told;
		const off = this.fromTarget(due, reading.pitch)!;
		if (Math.abs(off) <= ANOTHERS) return this.keep(reading, due);
		this.live = undefined;
		this.trace = [];
		if (this.does === 'played') {
			// Both hands are on the instrument: whichever string sounds is the one that is meant.
			const near = open.compass.filter((group) => Math.abs(this.fromTarget(group, reading.pitch)!) <= ANOTHERS);
			const [meant] = near.sort(
				(a, b) => Math.abs(this.fromTarget(a, reading.pitch)!) - Math.abs(this.fromTarget(b, reading.pitch)!)
			);
			if (meant !== undefined) {
				this.goTo(meant);
				return this.keep(reading, meant);
			}
		}
		const { note, off: from } = nearestNote(reading.pitch, hz(open.visit.a4));
		this.notice = {
			text: `That was ${noteName(note)}, ${signed(from)} cents; ${this.string!.noteName} is due.`,
			does: 'Take it all the same',
			take: () => this.keep(reading, due)
		};
	}

	private keep(measured: LastingReading, due: number): void {
		const { open, does } = this;
		const { fret, ...plucked } = this.how;
		const isPlayed = does === 'played';
		const group = isPlayed ? due : this.soundedGroup;
		// However it was plucked, the record counts from the open string as its offset has it.
		const target = isPlayed ? open.targetOf(group)! : this.equalAt(group, { fret, capo: 0 });
		const deviation = this.fromTarget(due, measured.pitch)!;
		this.keepTone(measured, group, { target, deviation, setUp: does, plucked, isFound: fret === 0 }, (reading) =>
			this.onRead(reading, due)
		);
	}
}

/** String by string without the capo; then the capo is put on once for all of them. */
function toMeasure({ body, ways }: Pick<GuitarVisit, 'body' | 'ways'>): readonly number[] {
	const through = (isCapo: boolean) =>
		body.strings.flatMap((_, i) =>
			ways.flatMap(({ capo }, way) => (capo > 0 === isCapo ? [dueOf(fretGroup(i + 1), way)] : []))
		);
	return [...through(false), ...through(true)];
}
