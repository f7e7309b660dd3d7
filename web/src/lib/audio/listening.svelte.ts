import {
	cents,
	trueRate,
	type Due,
	type ListenerEvent,
	type ListeningHabits,
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
import { Deafness } from './deafness';
import { clockOffset, keepClockOffset } from './deviceClock';
import { onEnd } from './lifetime';
import { SimulatedInstrument, type SimulatedOptions } from './simulated';
import { SoundInput, type Ears, type OpenSound } from './soundInput.svelte';

export interface ListeningOptions extends SimulatedOptions {
	readonly setup: Omit<ListeningSetup, 'sampleRate' | 'habits'>;
	readonly habits: ListeningHabits;
	readonly onEvents: (events: readonly ListenerEvent[]) => void;
	/** Where the sound of strikes goes for a closer look. */
	readonly strikes?: () => MessagePort;
	/** The sound of a strike that was read has gone there. */
	readonly onKept?: (reading: StringReading) => void;
	/** Where the sound of keys that were struck together goes. */
	readonly pairs?: () => MessagePort;
}

/** What is listened to: an instrument's strings, as they are struck. */
export class Listening extends SoundInput {
	/** What there is about the simulated instrument. */
	around = $state<Surroundings>('quiet');
	/** Cents by which the open microphone's clock is corrected. */
	clock = $state(0);
	habits = $state.raw() as ListeningHabits;
	simulated = $state.raw<SimulatedInstrument | undefined>();
	/** The analysis does not keep up with the sound: the pitch is not followed while a string sounds on. */
	behind = $state(false);
	private worker: WorkerClient<ListeningTasks> | undefined;
	private sound: OpenSound | undefined;
	private due: Due | undefined;
	private readonly deafness = new Deafness();

	constructor(private readonly options: ListeningOptions) {
		super();
		this.habits = options.habits;
	}

	protected openEars({ sampleRate, samples, live, lifetime }: Ears): void {
		const worker = (this.worker = listeningWorker());
		onEnd(lifetime, () => worker.close());
		const strikes = this.options.strikes?.();
		const pairs = this.options.pairs?.();
		const ports = [samples, strikes, pairs].filter((port) => port !== undefined);
		const onProgress = (heard: Heard) => !lifetime.aborted && this.hear(heard);
		const setup: ListeningSetup = { ...this.options.setup, sampleRate, habits: this.habits };
		worker
			.run('listen', handing({ setup, samples, live, strikes, pairs }, ...ports), { onProgress })
			.catch((fault: unknown) => isGivenUp(fault) || this.stop('no sound'));
	}

	protected opened(sound: OpenSound): void {
		this.sound = sound;
		if (!sound.microphone) {
			const { context, input, lifetime } = sound;
			this.simulated = new SimulatedInstrument(this.options, context, input, lifetime);
			this.surround(this.around);
		}
		// What was said while it was being opened.
		this.expect(this.due);
		this.listenBy(this.habits);
		this.correct();
	}

	protected closed(): void {
		this.worker = this.sound = this.simulated = undefined;
		this.deafness.reset();
		this.behind = false;
		this.clock = 0;
	}

	/** Changes what there is about the simulated instrument, now and when it is listened to next. */
	surround(around: Surroundings): void {
		this.around = around;
		void this.simulated?.surround(around);
	}

	/** Other habits, from the next strike on. */
	listenBy(habits: ListeningHabits): void {
		this.habits = habits;
		if (this.sound && this.worker) command(this.worker.run('listenBy', habits));
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
		const { sound, worker } = this;
		if (!sound?.microphone || !worker) return undefined;
		this.ignoreWhile(true);
		try {
			return await worker.run('reference', { known, seconds });
		} catch (fault) {
			if (isGivenUp(fault)) return undefined;
			throw fault;
		} finally {
			if (this.sound === sound) this.ignoreWhile(false);
		}
	}

	/** Keeps what the open microphone's clock is off by, and listens by it from now on; 0 forgets it. */
	keepClock(offset: number): void {
		if (!this.sound?.microphone) return;
		keepClockOffset(this.sound.microphone.device, offset);
		this.correct();
	}

	private correct(): void {
		const { sound, worker } = this;
		if (!sound?.microphone || !worker) return;
		this.clock = clockOffset(sound.microphone.device);
		command(worker.run('correct', trueRate(sound.sampleRate, cents(this.clock))));
	}

	expect(due: Due | undefined): void {
		this.due = due;
		if (this.sound && this.worker) command(this.worker.run('expect', due));
	}

	private hear({ events, kept, behind }: Heard): void {
		this.behind = behind;
		// A strike that is going to be looked at closer is known before its end is told.
		if (!this.deafness.deaf) kept.forEach((reading) => this.options.onKept?.(reading));
		this.levels.hear(events);
		if (events.some(({ kind }) => kind === 'strike')) this.awake();
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
