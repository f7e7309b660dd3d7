import {
	REED_LIMITS,
	type Hz,
	type LastingEvent,
	type LastingReading,
	type Purpose,
	type Reading,
	type SounderId,
	type SteadyLimits
} from '@fendrel/core';
import { ToneListening } from '$lib/audio/toneListening.svelte';
import type { ToneEvent } from '$lib/workers/lasting';
import type { TracePoint } from '$lib/charts/toneTrace';
import { REFUSED_WORDS } from '$lib/tones/toneWords';
import type { ToneDetails, VisitRecord } from './visitRecord.svelte';

/** What is said of what was heard, and what may be done about it. */
export interface Notice {
	readonly text: string;
	/** "Take it as Draw 4" */
	readonly does?: string;
	readonly take?: () => void;
}

/** What a bench asks of the visit that it works for. */
interface Bench {
	readonly record: VisitRecord;
	targetOf(group: number): Hz | undefined;
}

/** What is known of a tone besides what it measured. */
interface KeptTone extends Omit<ToneDetails, 'sounders' | 'source'> {
	readonly isFound?: boolean;
}

/** Seconds of a tone that are shown. */
const SHOWN = 8;

/** Tones that last, one group after the other: which is due, what is heard of it, its target held by the loudspeaker. */
export abstract class ToneBench<Open extends Bench> {
	readonly listening: ToneListening;
	due = $state(0);
	/** The tone that sounds, in cents from where the due one is to stand. */
	live = $state.raw<{ readonly off: number; readonly error: number } | undefined>();
	sounds = $state(false);
	trace = $state.raw<readonly TracePoint[]>([]);
	notice = $state.raw<Notice | undefined>();
	/** The due one's target is held by the loudspeaker. */
	drones = $state(false);
	/** It is being learned, so that what sounds beside it is heard. */
	isLearning = $state(false);
	/** How loud: 1 as usual. */
	loudness = $state(1);
	/** Whether what the loudspeaker holds is taken off what is heard: not from plucked strings, which begin by themselves. */
	private readonly takesOff: boolean;
	private began = 0;
	/** Rises with everything that is sounded here: no two are alike. */
	protected times = 0;

	/** @param order groups in the order of work, as it stands now */
	constructor(
		protected readonly open: Open,
		protected readonly order: () => readonly number[],
		limits: SteadyLimits | null = REED_LIMITS
	) {
		this.takesOff = limits !== null;
		this.listening = new ToneListening(
			(events) => this.hear(events),
			() => limits
		);
		const { place } = open.record.report;
		const all = order();
		this.due = all.find((due) => this.groupAt(due) === place) ?? all[0] ?? 0;
	}

	/** The group of what is due: the same, unless a group is sounded in several ways. */
	protected groupAt(due: number): number {
		return due;
	}

	/** Begins; @returns what ends it */
	begin(): () => void {
		this.listening.recall();
		return () => this.listening.stop();
	}

	goTo(due: number): void {
		if (due === this.due) return;
		this.due = due;
		this.live = undefined;
		this.trace = [];
		this.notice = undefined;
		if (this.drones) this.playDrone();
		this.open.record.act({ do: 'place', group: this.groupAt(due) });
	}

	/** On by some places of the order; it ends where the order ends. */
	goOn(by: 1 | -1 = 1): void {
		const order = this.order();
		const next = order[order.indexOf(this.due) + by];
		if (next !== undefined) this.goTo(next);
	}

	/** The due one's target from the loudspeaker, to tune against. */
	toggleDrone(): void {
		this.drones = !this.drones;
		this.playDrone();
	}

	/** As loud as one plays. */
	makeLoud(loudness: number): void {
		this.loudness = loudness;
		if (this.drones) this.playDrone();
	}

	/** What the loudspeaker holds of what is due. */
	protected heldAt(due: number): Hz | undefined {
		return this.open.targetOf(due);
	}

	private playDrone(): void {
		this.isLearning = this.drones && this.takesOff;
		this.listening.hold(this.drones ? this.heldAt(this.due) : undefined, this.loudness);
	}

	private hear(events: readonly ToneEvent[]): void {
		for (const event of events)
			if (event.kind === 'stroke') this.heardStroke();
			else this.take(event);
	}

	private take(event: LastingEvent): void {
		switch (event.kind) {
			case 'level':
				return;
			case 'learning':
			case 'learned':
				this.isLearning = event.kind === 'learning';
				return;
			case 'begun':
				this.began = event.at;
				this.trace = [];
				this.sounds = true;
				this.notice = undefined;
				return;
			case 'tone': {
				const off = this.fromTarget(this.due, event.pitch, event.level);
				if (off === undefined) return;
				this.live = { off, error: event.error };
				const at = event.at - this.began;
				const kept = this.trace.filter((point) => at - point.at < SHOWN);
				this.trace = [...kept, { at, cents: off, note: this.due, level: event.level }];
				return;
			}
			case 'reading':
				this.sounds = false;
				return this.read(event.reading);
			case 'over':
				this.sounds = false;
				return;
			case 'refused':
				this.sounds = false;
				this.notice = { text: REFUSED_WORDS[event.why] };
		}
	}

	/** Takes what is due as it stands. @param reading it rests on it; null: on the ear */
	accept(reading: string | null): void {
		this.takeAs('set', this.groupAt(this.due), reading);
	}

	private takeAs(purpose: Purpose, group: number, reading: string | null): void {
		const { record } = this.open;
		const target = this.open.targetOf(group)!;
		record.act({
			...{ do: 'accept', sounders: [this.sounderOf(group)], purpose, pass: 1, reading },
			...{ setTo: target, final: target, plan: record.report.plan?.id ?? null }
		});
	}

	/**
	 * Puts a tone on record; the first of a group says how it was found.
	 * @param isFound whether it says that at all
	 */
	protected keepTone(
		measured: LastingReading,
		group: number,
		{ isFound = true, ...told }: KeptTone,
		onKept: (reading: Reading) => void
	): void {
		const { record } = this.open;
		this.notice = undefined;
		const source = this.listening.source === 'simulated' ? 'simulated' : 'microphone';
		const sounders = [this.sounderOf(group)];
		record.together(() => {
			const isFirst = isFound && !record.report.sounders.get(sounders[0])?.found;
			const reading = record.readTone(measured, { sounders, source, ...told });
			if (isFirst) this.takeAs('found', group, reading.id);
			this.live = { off: told.deviation, error: measured.error };
			onKept(reading);
		});
	}

	/** What sounds of a group. */
	protected abstract sounderOf(group: number): SounderId;
	/** Cents from where a group is to stand, of a pitch at a level. */
	protected abstract fromTarget(group: number, pitch: number, level: number): number | undefined;
	/** A tone that was measured. */
	protected abstract read(reading: LastingReading): void;
	/** A stroke of a file was heard. */
	protected heardStroke(): void {}
}
