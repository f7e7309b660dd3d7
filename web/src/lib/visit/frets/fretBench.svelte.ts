import {
	BOW_LIMITS,
	bowSound,
	pluckSound,
	centsBetween,
	fretGroup,
	fretPlaceOf,
	hz,
	isBowed,
	nearestNote,
	noteName,
	type Bowing,
	type FretEnds,
	type LastingReading,
	type Reading
} from '@fendrel/core';
import { signed } from '$lib/ui/format';
import type { FretVisit } from '../fretVisit.svelte';
import { StringBench } from './stringBench.svelte';

/** A reading this far from the due string is another one's, in cents; open strings may stand far off. */
const ANOTHERS = { open: 150, stopped: 80 } as const;

/** Strings one after the other, open and stopped: which is due, and what is heard of it. */
export class FretBench extends StringBench<FretVisit> {
	/** @param onRead told of each reading that was kept: it says what comes next */
	constructor(
		open: FretVisit,
		order: () => readonly number[],
		private readonly onRead: (reading: Reading, group: number) => void
	) {
		super(open, order, isBowed(open.body) ? BOW_LIMITS : null);
	}

	get body() {
		return this.open.body;
	}

	get string() {
		return this.open.string(this.due);
	}

	get ways() {
		return isBowed(this.body)
			? [
					{ label: 'Even bow', sound: () => this.bow('even') },
					{ label: 'Uneven bow', sound: () => this.bow('uneven') }
				]
			: [
					{ label: 'Soft pluck', sound: () => this.pluck(0) },
					{ label: 'Hard pluck', sound: () => this.pluck(1) }
				];
	}

	private bow(bowing: Bowing): void {
		void this.listening.simulated?.sound(bowSound(this.sounded, this.due, bowing, ++this.times));
	}

	private pluck(touch: number): void {
		void this.listening.simulated?.pluck(pluckSound(this.sounded, this.due, touch, ++this.times));
	}

	/** A fret was moved: mm towards the bridge. On the simulated neck it moves. */
	moveFret(fret: number, { low, high }: FretEnds): void {
		const { open } = this;
		open.record.act({ do: 'fretMoved', fret, low, high });
		if (!this.listening.simulated) return;
		const key = fretGroup(1, fret);
		const [first, second] = open.moved[key] ?? [];
		const at = (before: number | undefined, by: number) => {
			const now = (before ?? 0) + by;
			return { pin: now, speaking: now };
		};
		open.movePins({ ...open.moved, [key]: [at(first?.speaking, low), at(second?.speaking, high)] });
	}

	protected fromTarget(group: number, pitch: number): number | undefined {
		const target = this.open.targetOf(group);
		return target === undefined ? undefined : centsBetween(target, hz(pitch));
	}

	protected read(reading: LastingReading): void {
		const { open, due } = this;
		const off = this.fromTarget(due, reading.pitch)!;
		const { fret } = fretPlaceOf(due);
		const within = fret === 0 ? ANOTHERS.open : ANOTHERS.stopped;
		if (Math.abs(off) <= within) return this.keep(reading, due);
		this.live = undefined;
		this.trace = [];
		const { note, off: from } = nearestNote(reading.pitch, hz(open.visit.a4));
		const heard = `${noteName(note)}, ${signed(from)} cents`;
		const { gives, name } = open.string(due)!;
		const octave = Math.round(off / 1200);
		const why =
			octave !== 0 && Math.abs(off - 1200 * octave) < within
				? `an octave ${octave > 0 ? 'above' : 'below'} it: touched, not stopped, or another string`
				: `${gives} is due`;
		const other = open.open.find(
			({ group, pitch }) => group !== due && Math.abs(centsBetween(pitch, hz(reading.pitch))) < ANOTHERS.stopped
		);
		this.notice = other
			? {
					text: `That was ${heard}: the ${other.name.toLowerCase()}, open; ${gives} is due.`,
					does: `Keep it as the ${other.name.toLowerCase()}`,
					take: () => this.keep(reading, other.group)
				}
			: {
					text: `That was ${heard}: ${why}.`,
					does: `Take it as ${gives}, ${name.toLowerCase()}`,
					take: () => this.keep(reading, due)
				};
	}

	private keep(measured: LastingReading, group: number): void {
		const deviation = this.fromTarget(group, measured.pitch)!;
		const target = this.open.targetOf(group)!;
		this.keepTone(measured, group, { target, deviation, setUp: 'played' }, (reading) => this.onRead(reading, group));
	}
}
