import {
	cents,
	trueRate,
	type Due,
	type InstrumentTwin,
	type ListenerEvent,
	type ListeningHabits,
	type MovedPins,
	type ReferenceTone,
	type StringReading,
	type Surroundings,
	type ToneProblem
} from '@fendrel/core';
import { isGivenUp, type WorkerClient } from '$lib/workers/client';
import type { ListeningSetup } from '$lib/tuning/listeningSetup';
import type { Heard, ListeningTasks } from '$lib/workers/listening';
import { listeningWorker } from '$lib/workers/listening.client';
import { handing } from '$lib/workers/protocol';
import { openCapture } from './capture';
import { Deafness } from './deafness';
import { clockOffset, keepClockOffset } from './deviceClock';
import { SoundFailure, type SoundFault } from './faults';
import { keepSource, lastSource, type SoundSource } from './lastSource';
import { LevelWatch } from './levelWatch.svelte';
import { inSight, onEnd } from './lifetime';
import { stayAwake } from './stayAwake';
import { openMicrophone } from './microphone';
import { SimulatedInstrument } from './simulated';
import { cardClock, pacedClock } from './soundClock';

export interface ListeningOptions {
	readonly setup: Omit<ListeningSetup, 'sampleRate' | 'habits'>;
	readonly habits: ListeningHabits;
	readonly twin: InstrumentTwin;
	/** How many strings a note of the simulated instrument has: as many as the one it stands for. */
	readonly countOf: (group: number) => number;
	readonly moved: MovedPins;
	readonly onMoved: (moved: MovedPins) => void;
	readonly onEvents: (events: readonly ListenerEvent[]) => void;
	/** Where the sound of strikes goes for a closer look. */
	readonly strikes?: () => MessagePort;
	/** The sound of a strike that was read has gone there. */
	readonly onKept?: (reading: StringReading) => void;
	/** Where the sound of keys that were struck together goes. */
	readonly pairs?: () => MessagePort;
}

/** What is open while something is listened to; its lifetime closes all of it. */
interface Open {
	readonly lifetime: AbortController;
	readonly worker: WorkerClient<ListeningTasks>;
	readonly sampleRate: number;
	/** Undefined for the simulated instrument. */
	readonly microphone: { readonly device: string } | undefined;
}

/** What is listened to: chosen, opened, watched, closed. */
export class Listening {
	state = $state<'off' | 'opening' | 'on'>('off');
	source = $state<SoundSource>('simulated');
	device = $state<string | undefined>();
	/** What there is about the simulated instrument. */
	around = $state<Surroundings>('quiet');
	/** Cents by which the open microphone's clock is corrected. */
	clock = $state(0);
	habits = $state.raw() as ListeningHabits;
	simulated = $state.raw<SimulatedInstrument | undefined>();
	/** The analysis does not keep up with the sound: the pitch is not followed while a string sounds on. */
	behind = $state(false);
	readonly levels = new LevelWatch();
	private failure = $state<SoundFault | undefined>();
	/** What stands in the way. */
	readonly fault: SoundFault | undefined = $derived(
		this.failure ?? (this.source === 'microphone' && this.levels.dead ? 'silent' : undefined)
	);
	private lifetime: AbortController | undefined;
	private open: Open | undefined;
	private due: Due | undefined;
	private readonly deafness = new Deafness();

	constructor(private readonly options: ListeningOptions) {
		this.habits = options.habits;
	}

	/** Takes the source that this device used last. */
	recall(): void {
		({ source: this.source, device: this.device } = lastSource());
	}

	/** Chooses the source; when it was on, it goes on with the new one. */
	async choose(source: SoundSource, device?: string): Promise<void> {
		const wasOn = this.state !== 'off';
		this.stop();
		this.source = source;
		this.device = device;
		keepSource(source, device);
		if (wasOn) await this.start();
	}

	async start(): Promise<void> {
		if (this.state !== 'off') return;
		const lifetime = (this.lifetime = new AbortController());
		this.state = 'opening';
		this.failure = undefined;
		try {
			const open = await this.openSource(lifetime);
			lifetime.signal.throwIfAborted();
			stayAwake(lifetime.signal);
			this.open = open;
			// What was said while it was being opened.
			this.expect(this.due);
			this.listenBy(this.habits);
			this.correct();
			this.state = 'on';
		} catch (error) {
			// Stopped meanwhile: whatever had been opened by then has been closed.
			if (lifetime.signal.aborted) return;
			const known = error instanceof SoundFailure;
			this.stop(known ? error.fault : 'no sound');
			if (!known) throw error;
		}
	}

	private async openSource(lifetime: AbortController): Promise<Open> {
		const { signal } = lifetime;
		const { setup, twin, countOf, moved, onMoved } = this.options;
		const isSimulated = this.source === 'simulated';
		const isPaced = isSimulated && globalThis.fendrelPace !== undefined;
		const clock = isPaced ? pacedClock(signal) : cardClock(signal, () => void this.wake());
		const { context } = clock;
		const { sampleRate } = context;
		const { input, samples } = await openCapture(context, signal);
		signal.throwIfAborted();
		const heardBy = { ...setup, sampleRate, habits: this.habits };
		const worker = this.openWorker(heardBy, samples, !isPaced, signal);
		await clock.begin();
		signal.throwIfAborted();
		if (isSimulated) {
			this.simulated = new SimulatedInstrument(twin, countOf, moved, onMoved, context, input, signal);
			this.surround(this.around);
			return { lifetime, worker, sampleRate, microphone: undefined };
		}
		const onLost = () => this.stop('lost');
		const device = await openMicrophone(context as AudioContext, input, this.device, signal, onLost);
		return { lifetime, worker, sampleRate, microphone: { device: device ?? '' } };
	}

	private openWorker(
		setup: ListeningSetup,
		samples: MessagePort,
		live: boolean,
		lifetime: AbortSignal
	): WorkerClient<ListeningTasks> {
		const worker = listeningWorker();
		onEnd(lifetime, () => worker.close());
		const strikes = this.options.strikes?.();
		const pairs = this.options.pairs?.();
		const ports = [samples, strikes, pairs].filter((port) => port !== undefined);
		const onProgress = (heard: Heard) => !lifetime.aborted && this.hear(heard);
		worker
			.run('listen', handing({ setup, samples, live, strikes, pairs }, ...ports), { onProgress })
			.catch((fault: unknown) => isGivenUp(fault) || this.stop('no sound'));
		return worker;
	}

	/** Changes what there is about the simulated instrument, now and when it is listened to next. */
	surround(around: Surroundings): void {
		this.around = around;
		void this.simulated?.surround(around);
	}

	stop(failure?: SoundFault): void {
		this.lifetime?.abort();
		this.lifetime = this.open = this.simulated = undefined;
		this.deafness.reset();
		this.levels.reset();
		this.behind = false;
		this.state = 'off';
		this.clock = 0;
		this.failure = failure;
	}

	/** The sound stood still: it begins anew once somebody looks, and says so until the next strike. */
	private async wake(): Promise<void> {
		this.stop('slept');
		await inSight();
		// Whoever pressed Listen or left meanwhile decides.
		if (this.state !== 'off' || this.failure !== 'slept') return;
		await this.start();
		if (this.state !== 'off' && !this.failure) this.failure = 'slept';
	}

	/** Other habits, from the next strike on. */
	listenBy(habits: ListeningHabits): void {
		this.habits = habits;
		if (this.open) command(this.open.worker.run('listenBy', habits));
	}

	/** Takes no notice of a microphone while the page itself plays. */
	ignoreWhile(playing: boolean): void {
		this.deafness.set(playing && this.source === 'microphone');
	}

	/** Measures a tone of known frequency by the open microphone's own clock. @returns undefined when none is open any more */
	async reference(
		known: number,
		seconds: number
	): Promise<ReferenceTone | { readonly problem: ToneProblem } | undefined> {
		const { open } = this;
		if (!open?.microphone) return undefined;
		this.ignoreWhile(true);
		try {
			return await open.worker.run('reference', { known, seconds });
		} catch (fault) {
			if (isGivenUp(fault)) return undefined;
			throw fault;
		} finally {
			if (this.open === open) this.ignoreWhile(false);
		}
	}

	/** Keeps what the open microphone's clock is off by, and listens by it from now on; 0 forgets it. */
	keepClock(offset: number): void {
		if (!this.open?.microphone) return;
		keepClockOffset(this.open.microphone.device, offset);
		this.correct();
	}

	private correct(): void {
		if (!this.open?.microphone) return;
		const { worker, sampleRate, microphone } = this.open;
		this.clock = clockOffset(microphone.device);
		command(worker.run('correct', trueRate(sampleRate, cents(this.clock))));
	}

	expect(due: Due | undefined): void {
		this.due = due;
		if (this.open) command(this.open.worker.run('expect', due));
	}

	private hear({ events, kept, behind }: Heard): void {
		this.behind = behind;
		// A strike that is going to be looked at closer is known before its end is told.
		if (!this.deafness.deaf) kept.forEach((reading) => this.options.onKept?.(reading));
		this.levels.hear(events);
		if (this.failure === 'slept' && events.some(({ kind }) => kind === 'strike')) this.failure = undefined;
		const heard = this.deafness.pass(events);
		if (heard.length) this.options.onEvents(heard);
	}
}

/** What the worker is told needs no answer; a later word takes its place. */
function command(said: Promise<void>): void {
	said.catch((fault: unknown) => {
		if (!isGivenUp(fault)) throw fault;
	});
}
