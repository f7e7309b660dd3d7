import type { Due, KeptStrike, ListenerEvent, ListeningHabits, ReferenceTone, ToneProblem } from '@fendrel/core';
import { proxy, transfer, wrap, type Remote } from 'comlink';
import type { ListeningSetup, ListeningWorker } from '$lib/workers/listening';
import Worker from '$lib/workers/listening.worker?worker';
import captureUrl from './capture.worklet.ts?worker&url';
import type { SoundClock } from './soundClock';

/** One path for every sound: whatever is connected to `input` is captured and listened to in a worker. */
export class Ear {
	private constructor(
		private readonly clock: SoundClock,
		readonly input: AudioWorkletNode,
		private readonly worker: Worker,
		private readonly remote: Remote<ListeningWorker>
	) {}

	/** @param onHeard what the listener tells, with the sound of the strikes that have sounded */
	static async open(
		clock: SoundClock,
		setup: Omit<ListeningSetup, 'sampleRate'>,
		onHeard: (events: ListenerEvent[], strikes: KeptStrike[]) => void
	): Promise<Ear> {
		const { context } = clock;
		await context.audioWorklet.addModule(captureUrl);
		const input = new AudioWorkletNode(context, 'capture', {
			numberOfInputs: 1,
			numberOfOutputs: 0,
			channelCount: 1,
			channelCountMode: 'explicit'
		});
		const worker = new Worker();
		const remote = wrap<ListeningWorker>(worker);
		const channel = new MessageChannel();
		input.port.postMessage(channel.port1, [channel.port1]);
		await remote.open(
			{ ...setup, sampleRate: context.sampleRate },
			transfer(channel.port2, [channel.port2]),
			proxy(onHeard)
		);
		await clock.begin();
		return new Ear(clock, input, worker, remote);
	}

	get context(): BaseAudioContext {
		return this.clock.context;
	}

	expect(due: Due | undefined): void {
		void this.remote.expect(due);
	}

	attend(habits: ListeningHabits): void {
		void this.remote.attend(habits);
	}

	/** The rate that the sound card really has, which may differ a little from the one it says. */
	correct(sampleRate: number): void {
		void this.remote.correct(sampleRate);
	}

	reference(known: number, seconds: number): Promise<ReferenceTone | { readonly problem: ToneProblem }> {
		return this.remote.reference(known, seconds);
	}

	async close(): Promise<void> {
		this.worker.terminate();
		await this.clock.close();
	}
}
