import type { LastingTone, Pluck } from '@fendrel/core';
import { isGivenUp } from '$lib/workers/client';
import { soundingWorker } from '$lib/workers/sounding.client';
import { onEnd } from './lifetime';
import { sampled, Voice } from './voice';

/** Reeds that nobody blows and strings that nobody bows: their sound comes in as a microphone's does, and out of the loudspeaker. */
export class SimulatedTones {
	private readonly worker = soundingWorker();
	private sounding: Voice | undefined;

	constructor(
		private readonly context: BaseAudioContext,
		private readonly input: AudioNode,
		private readonly lifetime: AbortSignal
	) {
		onEnd(lifetime, () => {
			this.sounding?.end();
			this.worker.close();
		});
	}

	/** Sounds tones together; what sounded before ends. */
	sound(tones: readonly LastingTone[]): Promise<void> {
		return this.play((sampleRate) => this.worker.run('lasting', { tones, sampleRate }));
	}

	/** Plucks a string; what sounded before ends. */
	pluck(pluck: Pluck): Promise<void> {
		return this.play((sampleRate) => this.worker.run('pluck', { pluck, sampleRate }));
	}

	private async play(render: (sampleRate: number) => Promise<Float32Array<ArrayBuffer>>): Promise<void> {
		const { context, input, lifetime } = this;
		try {
			const rendered = await render(context.sampleRate);
			if (lifetime.aborted) return;
			this.sounding?.end();
			this.sounding = new Voice(context, sampled(context, rendered), 1, [input, context.destination]);
			this.sounding.start(context.currentTime + 0.01);
		} catch (fault) {
			if (!isGivenUp(fault)) throw fault;
		}
	}
}
