import { REED_LIMITS, type SteadyLimits } from '@fendrel/core';
import { isGivenUp, type WorkerClient } from '$lib/workers/client';
import type { LastingTasks, ToneEvent } from '$lib/workers/lasting';
import { lastingWorker } from '$lib/workers/lasting.client';
import { handing } from '$lib/workers/protocol';
import { Drone } from './drone';
import { onEnd } from './lifetime';
import { SimulatedTones } from './simulatedTones';
import { samplesNow, SoundInput, type Ears, type OpenSound } from './soundInput.svelte';

/** What is listened to: tones that are kept going. */
export class ToneListening extends SoundInput {
	simulated = $state.raw<SimulatedTones | undefined>();
	private worker: WorkerClient<LastingTasks> | undefined;
	private sound: OpenSound | undefined;
	private drone: Drone | undefined;

	/** @param limits how still a tone is to stand: reeds, or what trembles more; null: strings are plucked */
	constructor(
		private readonly onEvents: (events: readonly ToneEvent[]) => void,
		private readonly limits: () => SteadyLimits | null = () => REED_LIMITS
	) {
		super();
	}

	protected openEars({ sampleRate, samples, lifetime }: Ears): void {
		const worker: WorkerClient<LastingTasks> = (this.worker = lastingWorker());
		onEnd(lifetime, () => worker.close());
		worker
			.run('listen', handing({ sampleRate, limits: this.limits(), samples }, samples), {
				onProgress: (events) => !lifetime.aborted && this.hear(events)
			})
			.catch((fault: unknown) => isGivenUp(fault) || this.stop('no sound'));
	}

	protected opened(sound: OpenSound): void {
		const { context, input, lifetime, microphone } = (this.sound = sound);
		if (!microphone) this.simulated = new SimulatedTones(context, input, lifetime);
	}

	protected closed(): void {
		this.simulated = this.worker = this.sound = this.drone = undefined;
	}

	/** Holds a tone to tune against, and hears what sounds beside it; undefined: no longer. */
	hold(pitch: number | undefined, loudness = 1): void {
		this.drone?.end();
		this.drone = undefined;
		const { sound } = this;
		if (!sound) return;
		this.worker
			?.run('drone', { pitch: pitch ?? null, from: samplesNow(sound) })
			.catch((fault: unknown) => isGivenUp(fault) || this.stop('no sound'));
		if (pitch === undefined) return;
		const overhears = sound.microphone ? undefined : sound.input;
		this.drone = new Drone(sound.context, pitch, sound.lifetime, { overhears, loudness });
	}

	private hear(events: readonly ToneEvent[]): void {
		for (const event of events) if (event.kind === 'level') this.levels.hearLevel(event.at, event.level);
		if (events.some(({ kind }) => kind === 'begun')) this.awake();
		this.onEvents(events);
	}
}
