import type { KeptStrike, StringReading, UnisonAnalysis } from '@fendrel/core';
import { transfer, wrap, type Remote } from 'comlink';
import type { LastStrikeWorker } from '$lib/workers/lastStrike';
import Worker from '$lib/workers/lastStrike.worker?worker';

/** What a strike told of the strings that sounded together. */
export interface HeardUnison {
	readonly note: number;
	/** Strings that were left unmuted. */
	readonly strings: number;
	readonly analysis: UnisonAnalysis;
}

/** Looks closer at each strike, in a worker of its own: the listening must not wait for it. */
export class LastStrike {
	heard = $state.raw<HeardUnison | undefined>();
	reading = $state.raw<StringReading | undefined>();
	/** Strikes that have been looked at so far. */
	looks = $state(0);
	/** The partial that is being heard by itself. */
	playing = $state<number | undefined>();
	problem = $state<string | undefined>();
	private worker: Worker | undefined;
	private remote: Remote<LastStrikeWorker> | undefined;
	private context: AudioContext | undefined;
	private source: AudioBufferSourceNode | undefined;
	private turn = 0;

	/** @param onPlaying told when its own sound begins and ends: a microphone must not take it for a strike */
	constructor(private readonly onPlaying: (playing: boolean) => void = () => {}) {}

	async hear(strike: KeptStrike, strings: number): Promise<HeardUnison | undefined> {
		const turn = ++this.turn;
		this.worker ??= new Worker();
		this.remote ??= wrap<LastStrikeWorker>(this.worker);
		const { reading } = strike;
		const analysis = await this.remote.look(transfer(strike, [strike.samples.buffer]), strings);
		const heard = { note: reading.note, strings, analysis };
		this.looks++;
		// A later strike has been heard meanwhile: what it says counts.
		if (turn === this.turn) {
			this.stop();
			this.heard = heard;
			this.reading = reading;
		}
		return heard;
	}

	/** Lets one partial be heard alone, then in the whole; once more the same partial: stops. */
	async hearPartial(partial: number): Promise<void> {
		const again = this.playing === partial;
		this.stop();
		if (again || !this.remote) return;
		this.problem = undefined;
		this.playing = partial;
		try {
			const sound = await this.remote.partial(partial);
			if (this.playing !== partial) return;
			if (!sound) {
				this.playing = undefined;
				this.problem = 'This partial cannot be parted from the rest of the strike.';
				return;
			}
			this.context ??= new AudioContext();
			const { context } = this;
			await context.resume();
			const buffer = context.createBuffer(1, sound.samples.length, Math.round(sound.sampleRate));
			buffer.copyToChannel(sound.samples, 0);
			const source = new AudioBufferSourceNode(context, { buffer });
			source.connect(context.destination);
			source.onended = () => {
				if (this.source === source) this.stop();
			};
			this.source = source;
			this.onPlaying(true);
			source.start();
		} catch (error) {
			this.stop();
			this.problem = `This browser plays no sound here: ${(error as Error).message}`;
		}
	}

	stop(): void {
		const { source } = this;
		this.source = undefined;
		this.playing = undefined;
		if (!source) return;
		source.stop();
		this.onPlaying(false);
	}

	close(): void {
		this.turn++;
		this.stop();
		this.worker?.terminate();
		void this.context?.close();
	}
}
