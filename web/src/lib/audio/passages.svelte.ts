import type { Chord } from '@fendrel/core';
import { wrap, type Remote } from 'comlink';
import type { SoundingWorker } from '$lib/workers/sounding';
import Worker from '$lib/workers/sounding.worker?worker';

/** Seconds in which one version gives way to the other. */
const CROSSFADE = 0.03;

/**
 * Plays a passage in several tunings at once, of which one is heard: switching over needs no new start.
 * Nothing is opened before the first passage, so that a silent page costs nothing.
 */
export class Passages {
	/** What is sounding, by the name it was started with. */
	playing = $state<string | undefined>();
	preparing = $state<string | undefined>();
	problem = $state<string | undefined>();
	private heard = 0;
	private context: AudioContext | undefined;
	private worker: Worker | undefined;
	private remote: Remote<SoundingWorker> | undefined;
	private sounding: { readonly source: AudioBufferSourceNode; readonly gain: GainNode }[] = [];
	private turn = 0;

	/** @param versions the same passage in each tuning */
	async play(name: string, versions: readonly (readonly Chord[])[]): Promise<void> {
		this.stop();
		const turn = ++this.turn;
		this.preparing = name;
		this.problem = undefined;
		try {
			this.context ??= new AudioContext();
			await this.context.resume();
			this.worker ??= new Worker();
			this.remote ??= wrap<SoundingWorker>(this.worker);
			const { context, remote } = this;
			const sounds = await Promise.all(versions.map((chords) => remote.passage(chords, context.sampleRate, 1)));
			if (turn !== this.turn) return;
			this.start(name, sounds);
		} catch (error) {
			if (turn === this.turn) this.problem = `This browser plays no sound here: ${(error as Error).message}`;
		} finally {
			if (turn === this.turn) this.preparing = undefined;
		}
	}

	private start(name: string, sounds: readonly Float32Array<ArrayBuffer>[]): void {
		const context = this.context!;
		const at = context.currentTime + 0.02;
		this.sounding = sounds.map((sound, i) => {
			const buffer = context.createBuffer(1, sound.length, context.sampleRate);
			buffer.copyToChannel(sound, 0);
			const source = new AudioBufferSourceNode(context, { buffer });
			const gain = new GainNode(context, { gain: i === this.heard ? 1 : 0 });
			source.connect(gain).connect(context.destination);
			source.start(at);
			return { source, gain };
		});
		this.playing = name;
		const [first] = this.sounding;
		first.source.onended = () => {
			if (this.sounding[0] === first) this.stop();
		};
	}

	/** Lets the version of that place be heard, from now on and in passages to come. */
	hear(version: number): void {
		this.heard = version;
		const now = this.context?.currentTime ?? 0;
		this.sounding.forEach(({ gain }, i) => gain.gain.setTargetAtTime(i === version ? 1 : 0, now, CROSSFADE / 3));
	}

	stop(): void {
		this.turn++;
		for (const { source } of this.sounding) source.stop();
		this.sounding = [];
		this.playing = undefined;
		this.preparing = undefined;
	}

	close(): void {
		this.stop();
		this.worker?.terminate();
		void this.context?.close();
	}
}
