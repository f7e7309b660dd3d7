import type { Together, TogetherEvent } from '@fendrel/core';
import { isGivenUp, type WorkerClient } from '$lib/workers/client';
import type { LastingTasks } from '$lib/workers/lasting';
import { lastingWorker } from '$lib/workers/lasting.client';
import { handing } from '$lib/workers/protocol';
import { onEnd } from './lifetime';
import { SimulatedTones } from './simulatedTones';
import { samplesNow, SoundInput, type Ears, type OpenSound } from './soundInput.svelte';

/** What is listened to: tones that are known and sound together. */
export class TogetherListening extends SoundInput {
	simulated = $state.raw<SimulatedTones | undefined>();
	private worker: WorkerClient<LastingTasks> | undefined;
	private sound: OpenSound | undefined;

	constructor(
		private asked: Together,
		private readonly onEvents: (events: readonly TogetherEvent[]) => void
	) {
		super();
	}

	/** Other tones are listened for from now on. */
	ask(asked: Together): void {
		this.asked = asked;
		const from = this.sound ? samplesNow(this.sound) : 0;
		this.worker?.run('ask', { asked, from }).catch((fault: unknown) => isGivenUp(fault) || this.stop('no sound'));
	}

	protected openEars({ sampleRate, samples, lifetime }: Ears): void {
		const worker = (this.worker = lastingWorker());
		onEnd(lifetime, () => worker.close());
		worker
			.run('together', handing({ sampleRate, asked: this.asked, samples }, samples), {
				onProgress: (events) => !lifetime.aborted && this.hear(events)
			})
			.catch((fault: unknown) => isGivenUp(fault) || this.stop('no sound'));
	}

	protected opened(sound: OpenSound): void {
		const { context, input, lifetime, microphone } = (this.sound = sound);
		if (!microphone) this.simulated = new SimulatedTones(context, input, lifetime);
	}

	protected closed(): void {
		this.simulated = this.worker = this.sound = undefined;
	}

	private hear(events: readonly TogetherEvent[]): void {
		for (const event of events) if (event.kind === 'level') this.levels.hearLevel(event.at, event.level);
		if (events.some(({ kind }) => kind === 'begun')) this.awake();
		this.onEvents(events);
	}
}
