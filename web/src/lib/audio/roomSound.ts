import type { Surroundings } from '@fendrel/core';
import { isGivenUp } from '$lib/workers/client';
import { soundingWorker } from '$lib/workers/sounding.client';
import { sampled, Voice } from './voice';

/** What is heard besides is made once, and goes round. */
const SECONDS = 12;

/** What there is about whoever listens: it goes on until it is changed. */
export class RoomSound {
	private readonly worker = soundingWorker();
	private context: AudioContext | undefined;
	private voice: Voice | undefined;
	private wanted: Surroundings = 'quiet';

	/** To be called by a hand or a key: nothing sounds in a page by itself. */
	async be(wanted: Surroundings): Promise<void> {
		if (wanted === this.wanted) return;
		this.wanted = wanted;
		this.voice?.end();
		this.voice = undefined;
		if (wanted === 'quiet') return;
		try {
			const context = (this.context ??= new AudioContext());
			await context.resume();
			const job = { surroundings: wanted, seconds: SECONDS, seed: 1, sampleRate: context.sampleRate };
			const sound = await this.worker.run('surroundings', job);
			if (!sound || this.wanted !== wanted) return;
			const source = sampled(context, sound);
			source.loop = true;
			this.voice = new Voice(context, source, 1, [context.destination]);
			this.voice.start(context.currentTime);
		} catch (fault) {
			if (!isGivenUp(fault)) throw fault;
		}
	}

	close(): void {
		this.wanted = 'quiet';
		this.voice?.end();
		this.worker.close();
		void this.context?.close();
	}
}
