import { hz, nearestNote, type LastingEvent, type LastingReading, type LastingRefusal } from '@fendrel/core';
import type { TracePoint } from '$lib/charts/toneTrace';
import type { ToneEvent } from '$lib/workers/lasting';

/** A tone that was read, and the note it is nearest to. */
export interface ReadTone {
	/** Rises with every tone. */
	readonly id: number;
	readonly note: number;
	/** Cents from that note in equal temperament. */
	readonly off: number;
	readonly reading: LastingReading;
}

/** Seconds of a tone that are shown. */
const SHOWN = 8;
const MOST_READ = 30;

/** What is heard of tones that last: the one that sounds, and those that were read, the newest first. */
export class ToneBoard {
	/** The tone that sounds, or the last one. */
	live = $state.raw<{ readonly note: number; readonly off: number; readonly error: number } | undefined>();
	sounds = $state(false);
	refused = $state<LastingRefusal | undefined>();
	trace = $state.raw<readonly TracePoint[]>([]);
	read = $state.raw<readonly ReadTone[]>([]);
	private began = 0;
	private count = 0;

	/** @param a4 what the note is counted from, in Hz */
	constructor(private a4: () => number) {}

	hear(events: readonly ToneEvent[]): void {
		for (const event of events) if (event.kind !== 'stroke') this.take(event);
	}

	private take(event: LastingEvent): void {
		switch (event.kind) {
			case 'level':
			case 'learning':
			case 'learned':
				return;
			case 'begun':
				this.began = event.at;
				this.trace = [];
				this.sounds = true;
				this.refused = undefined;
				return;
			case 'tone': {
				const { note, off } = nearestNote(hz(event.pitch), hz(this.a4()));
				this.live = { note, off, error: event.error };
				const at = event.at - this.began;
				const kept = this.trace.filter((point) => at - point.at < SHOWN);
				this.trace = [...kept, { at, cents: off, note, level: event.level }];
				return;
			}
			case 'reading': {
				this.sounds = false;
				const { reading } = event;
				const { note, off } = nearestNote(reading.pitch, hz(this.a4()));
				this.read = [{ id: ++this.count, note, off, reading }, ...this.read].slice(0, MOST_READ);
				this.live = { note, off, error: reading.error };
				return;
			}
			case 'over':
				this.sounds = false;
				return;
			case 'refused':
				this.sounds = false;
				this.refused = event.why;
		}
	}

	clear(): void {
		this.read = [];
		this.trace = [];
		this.live = this.refused = undefined;
	}
}
