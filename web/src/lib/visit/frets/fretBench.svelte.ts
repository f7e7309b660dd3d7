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
	stringSounder,
	type Bowing,
	type FretEnds,
	type LastingReading,
	type Reading,
	type SoundedNeck,
	type Touch
} from '@fendrel/core';
import { signed } from '$lib/ui/format';
import type { FretVisit } from '../fretVisit.svelte';
import { ToneBench } from '../toneBench.svelte';

/** A reading this far from the due string is another one's, in cents; open strings may stand far off. */
const ANOTHERS = { open: 150, stopped: 80 } as const;

/** Strings one after the other, open and stopped: which is due, and what is heard of it. */
export class FretBench extends ToneBench<FretVisit> {
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

	private get sounded(): SoundedNeck {
		const { instrument, body, movedNeck } = this.open;
		return { twin: instrument.twin, neck: body, a4: hz(instrument.usualA4), moved: movedNeck };
	}

	/** The simulated string is bowed. */
	bow(bowing: Bowing): void {
		void this.listening.simulated?.sound(bowSound(this.sounded, this.due, bowing, ++this.times));
	}

	/** The simulated string is plucked. */
	pluck(touch: Touch): void {
		void this.listening.simulated?.pluck(pluckSound(this.sounded, this.due, touch, ++this.times));
	}

	/** The simulated string's peg is turned, by so many cents. */
	turn(cents: number): void {
		const { moved } = this.open;
		const { string, isSecond } = fretPlaceOf(this.due);
		const peg = fretGroup(string, 0, isSecond);
		const now = (moved[peg]?.[0].speaking ?? 0) + cents;
		this.open.movePins({ ...moved, [peg]: [{ pin: now, speaking: now }] });
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

	/** Takes the due string as it stands. */
	accept(reading: string | null): void {
		const { open, due } = this;
		const target = open.targetOf(due)!;
		open.record.act({
			...{ do: 'accept', sounders: [stringSounder(due)], purpose: 'set', pass: 1, reading },
			...{ setTo: target, final: target, plan: open.record.report.plan?.id ?? null }
		});
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
		const { open } = this;
		this.notice = undefined;
		const deviation = this.fromTarget(group, measured.pitch)!;
		const target = open.targetOf(group)!;
		const source = this.listening.source === 'simulated' ? 'simulated' : 'microphone';
		const sounders = [stringSounder(group)];
		open.record.together(() => {
			const isFirst = !open.record.report.sounders.get(sounders[0])?.found;
			const reading = open.record.readTone(measured, { sounders, source, target, deviation, setUp: 'played' });
			if (isFirst)
				open.record.act({
					...{ do: 'accept', sounders, purpose: 'found', pass: 1, reading: reading.id },
					...{ setTo: target, final: target, plan: open.record.report.plan?.id ?? null }
				});
			this.live = { off: deviation, error: measured.error };
			this.onRead(reading, group);
		});
	}
}
