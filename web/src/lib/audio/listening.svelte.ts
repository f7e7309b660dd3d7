import type { Due, InstrumentTwin, KeptStrike, ListenerEvent } from '@fendrel/core';
import type { ListeningSetup } from '$lib/workers/listening';
import { Ear } from './ear';
import { MicrophoneFault, openMicrophone, type Microphone } from './microphone';
import { SimulatedInstrument, type MovedPins } from './simulated';

export type SoundSource = 'microphone' | 'simulated';

const REMEMBERED = 'fendrel.source';
const REMEMBERED_DEVICE = 'fendrel.microphone';
/** Seconds of perfect digital silence from a microphone after which something is wrong with it. */
const DEAD_SECONDS = 4;
const DEAD_DB = -100;

export interface ListeningOptions {
	readonly setup: Omit<ListeningSetup, 'sampleRate'>;
	readonly twin: InstrumentTwin;
	readonly moved: MovedPins;
	readonly onMoved: (moved: MovedPins) => void;
	readonly onEvents: (events: ListenerEvent[]) => void;
	/** The sound of a blow that was read, once it has sounded. */
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
	simulated = $state.raw<SimulatedInstrument | undefined>();

	private ear: Ear | undefined;
	private microphone: Microphone | undefined;
	private due: Due | undefined;
	private silentSince: number | undefined;

	constructor(private readonly options: ListeningOptions) {}

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
			const { setup, twin, moved, onMoved, onStrike } = this.options;
			this.ear = await Ear.open(setup, (events) => this.hear(events), onStrike);
			this.ear.expect(this.due);
			const { context, input } = this.ear;
			if (this.source === 'simulated') this.simulated = new SimulatedInstrument(twin, moved, onMoved, context, input);
			else
				this.microphone = await openMicrophone(context, input, this.device, (fault) => void this.stop(fault.message));
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
		this.state = 'off';
		this.fault = fault;
		await ear?.close();
	}

	expect(due: Due | undefined): void {
		this.due = due;
		this.ear?.expect(due);
	}

	private hear(events: ListenerEvent[]): void {
		for (const event of events) {
			if (event.kind !== 'level') continue;
			this.level = event.level;
			this.noise = event.noise;
			this.clipped = event.clipped;
			this.hum = event.hum;
			this.watchSilence(event.at, event.level);
		}
		this.options.onEvents(events);
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
