import { REED_LIMITS, type LastingEvent } from '@fendrel/core';
import { isGivenUp, type WorkerClient } from '$lib/workers/client';
import type { LastingTasks } from '$lib/workers/lasting';
import { lastingWorker } from '$lib/workers/lasting.client';
import { handing } from '$lib/workers/protocol';
import { onEnd } from './lifetime';
import { SimulatedReed } from './simulatedReed';
import { SoundInput, type Ears, type OpenSound } from './soundInput.svelte';

/** What is listened to: tones that are kept going. */
export class ToneListening extends SoundInput {
	simulated = $state.raw<SimulatedReed | undefined>();

	constructor(private readonly onEvents: (events: readonly LastingEvent[]) => void) {
		super();
	}

	protected openEars({ sampleRate, samples, lifetime }: Ears): void {
		const worker: WorkerClient<LastingTasks> = lastingWorker();
		onEnd(lifetime, () => worker.close());
		worker
			.run('listen', handing({ sampleRate, limits: REED_LIMITS, samples }, samples), {
				onProgress: (events) => !lifetime.aborted && this.hear(events)
			})
			.catch((fault: unknown) => isGivenUp(fault) || this.stop('no sound'));
	}

	protected opened({ context, input, lifetime, microphone }: OpenSound): void {
		if (!microphone) this.simulated = new SimulatedReed(context, input, lifetime);
	}

	protected closed(): void {
		this.simulated = undefined;
	}

	private hear(events: readonly LastingEvent[]): void {
		for (const event of events) if (event.kind === 'level') this.levels.hearLevel(event.at, event.level);
		if (events.some(({ kind }) => kind === 'begun')) this.awake();
		this.onEvents(events);
	}
}
