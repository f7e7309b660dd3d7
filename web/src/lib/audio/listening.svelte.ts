import {
	trueRate,
	type Due,
	type InstrumentTwin,
	type KeptStrike,
	type ListenerEvent,
	type ListeningHabits,
	type ReferenceTone,
	type ToneProblem
} from '@fendrel/core';
import type { ListeningSetup } from '$lib/workers/listening';
import { clockOffset, keepClockOffset } from './clock';
import { Ear } from './ear';
import { MicrophoneFault, openMicrophone, type Microphone } from './microphone';
import { SimulatedInstrument, type MovedPins } from './simulated';
import { cardClock, pacedClock } from './soundClock';

export type SoundSource = 'microphone' | 'simulated';

const REMEMBERED = 'fendrel.source';
const REMEMBERED_DEVICE = 'fendrel.microphone';
/** Seconds of perfect digital silence from a microphone after which something is wrong with it. */
const DEAD_SECONDS = 4;
const DEAD_DB = -100;
/** A strike has reached its loudest by then. */
const STRIKE_SECONDS = 0.35;

export interface ListeningOptions {
	readonly setup: Omit<ListeningSetup, 'sampleRate' | 'habits'>;
	readonly habits: ListeningHabits;
	readonly twin: InstrumentTwin;
	/** How many strings a note of the simulated instrument has: as many as the one it stands for. */
	readonly countOf: (group: number) => number;
	readonly moved: MovedPins;
	readonly onMoved: (moved: MovedPins) => void;
	readonly onEvents: (events: ListenerEvent[]) => void;
	/** The sound of a strike that was read, once it has sounded. */
	readonly onStrike: (strike: KeptStrike) => void;
}

/** The source of sound: chosen, opened, watched, closed. */
export class Listening {
	state = $state<'off' | 'opening' | 'on'>('off');
	source = $state<SoundSource>('simulated');
	device = $state<string | undefined>();
	/** What stands in the way, as a sentence that says what to do. */
	fault = $state<string | undefined>();
	level = $state(-120);
	noise = $state(-120);
	clipped = $state(false);
	/** Mains frequency that hums, in Hz. */
	hum = $state<number | undefined>();
	/** Level of the last strike, in decibels of full scale; undefined before the first. */
	strikeLevel = $state<number | undefined>();
	/** Cents by which the open microphone's clock is corrected. */
	clock = $state(0);
	habits = $state.raw() as ListeningHabits;
	simulated = $state.raw<SimulatedInstrument | undefined>();

	private ear: Ear | undefined;
	private microphone: Microphone | undefined;
	private due: Due | undefined;
	private silentSince: number | undefined;
	private breakOff = () => {};
	private deaf = false;
	/** What still sounds of a strike that fell while deaf is nobody's. */
	private awaitsStrike = false;
	private rising: { readonly until: number; level: number } | undefined;

	constructor(private readonly options: ListeningOptions) {
		this.habits = options.habits;
	}

	/** Takes the source that this device used last. */
	recall(): void {
		const remembered = localStorage.getItem(REMEMBERED);
		if (remembered === 'microphone' || remembered === 'simulated') this.source = remembered;
		this.device = localStorage.getItem(REMEMBERED_DEVICE) ?? undefined;
	}

	/** Chooses the source; when it was on, it goes on with the new one. */
	async choose(source: SoundSource, device?: string): Promise<void> {
		const wasOn = this.state === 'on';
		await this.stop();
		this.source = source;
		this.device = device;
		this.fault = undefined;
		localStorage.setItem(REMEMBERED, source);
		if (device) localStorage.setItem(REMEMBERED_DEVICE, device);
		else localStorage.removeItem(REMEMBERED_DEVICE);
		if (wasOn) await this.start();
	}

	async start(): Promise<void> {
		if (this.state !== 'off') return;
		this.state = 'opening';
		this.fault = undefined;
		this.silentSince = undefined;
		try {
			const { setup, twin, countOf, moved, onMoved } = this.options;
			const paced = this.source === 'simulated' && globalThis.fendrelPace !== undefined;
			this.ear = await Ear.open(
				paced ? pacedClock() : cardClock(),
				{ ...setup, habits: this.habits },
				(events, strikes) => this.hear(events, strikes)
			);
			this.ear.expect(this.due);
			const { context, input } = this.ear;
			if (this.source === 'simulated')
				this.simulated = new SimulatedInstrument(twin, countOf, moved, onMoved, context, input);
			else {
				this.microphone = await openMicrophone(
					context as AudioContext,
					input,
					this.device,
					(fault) => void this.stop(fault.message)
				);
				this.correct();
			}
			this.state = 'on';
		} catch (error) {
			const known = error instanceof MicrophoneFault;
			await this.stop(
				known ? error.message : 'The sound could not be started. Reload the page and press Listen again.'
			);
			if (!known) throw error;
		}
	}

	async stop(fault?: string): Promise<void> {
		this.microphone?.stop();
		this.microphone = undefined;
		this.simulated?.close();
		this.simulated = undefined;
		const ear = this.ear;
		this.ear = undefined;
		this.breakOff();
		this.deaf = false;
		this.awaitsStrike = false;
		this.state = 'off';
		this.clock = 0;
		this.strikeLevel = undefined;
		this.fault = fault;
		await ear?.close();
	}

	/** Other habits, from the next strike on. */
	attend(habits: ListeningHabits): void {
		this.habits = habits;
		this.ear?.attend(habits);
	}

	/** Takes no notice of a microphone's sound while `deaf`: it would hear what the page itself plays. */
	hush(deaf: boolean): void {
		this.deaf = deaf && this.source === 'microphone';
		this.awaitsStrike ||= this.deaf;
	}

	/** Measures a tone of known frequency by the open microphone's own clock. @returns undefined when none is open */
	async reference(
		known: number,
		seconds: number
	): Promise<ReferenceTone | { readonly problem: ToneProblem } | undefined> {
		if (!this.ear || !this.microphone) return undefined;
		this.hush(true);
		// A worker that is closed meanwhile answers no more.
		const closed = new Promise<undefined>((closed) => (this.breakOff = () => closed(undefined)));
		const heard = await Promise.race([this.ear.reference(known, seconds), closed]);
		this.hush(false);
		return heard;
	}

	/** Keeps what the open microphone's clock is off by, and listens by it from now on; 0 forgets it. */
	keepClock(offset: number): void {
		if (!this.microphone) return;
		keepClockOffset(this.microphone.deviceId ?? '', offset);
		this.correct();
	}

	private correct(): void {
		const offset = clockOffset(this.microphone?.deviceId ?? '');
		this.clock = offset;
		if (this.ear) this.ear.correct(trueRate(this.ear.context.sampleRate, offset));
	}

	expect(due: Due | undefined): void {
		this.due = due;
		this.ear?.expect(due);
	}

	private hear(events: ListenerEvent[], strikes: readonly KeptStrike[]): void {
		// A strike that is going to be looked at closer is known before its end is told.
		if (!this.deaf) strikes.forEach((strike) => this.options.onStrike(strike));
		for (const event of events) {
			if (event.kind !== 'level') continue;
			this.level = event.level;
			this.noise = event.noise;
			this.clipped = event.clipped;
			this.hum = event.hum;
			this.watchSilence(event.at, event.level);
		}
		this.watchStrikes(events);
		const heard = this.deaf ? events.filter(({ kind }) => kind === 'level') : this.fromNextStrike(events);
		if (heard.length) this.options.onEvents(heard);
	}

	private fromNextStrike(events: ListenerEvent[]): ListenerEvent[] {
		if (!this.awaitsStrike) return events;
		const next = events.findIndex(({ kind }) => kind === 'strike');
		this.awaitsStrike = next < 0;
		return next < 0 ? [] : events.slice(next);
	}

	/** The loudest tenth of a second shortly after a strike is its level. */
	private watchStrikes(events: readonly ListenerEvent[]): void {
		for (const event of events) {
			if (event.kind === 'strike') this.rising = { until: event.at + STRIKE_SECONDS, level: -120 };
			if (event.kind !== 'level' || !this.rising) continue;
			this.rising.level = Math.max(this.rising.level, event.level);
			if (event.at < this.rising.until) continue;
			this.strikeLevel = this.rising.level;
			this.rising = undefined;
		}
	}

	private watchSilence(at: number, level: number): void {
		if (this.source !== 'microphone' || level > DEAD_DB) {
			if (this.silentSince !== undefined && this.fault === DEAD) this.fault = undefined;
			this.silentSince = undefined;
			return;
		}
		this.silentSince ??= at;
		if (at - this.silentSince > DEAD_SECONDS) this.fault = DEAD;
	}
}

const DEAD = 'The microphone is silent: it may be muted. Unmute it, or choose another one.';
