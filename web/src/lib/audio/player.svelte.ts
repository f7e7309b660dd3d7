import type { Chord } from '@fendrel/core';
import { isGivenUp, type WorkerClient } from '$lib/workers/client';
import type { SoundingTasks } from '$lib/workers/sounding';
import { soundingWorker } from '$lib/workers/sounding.client';
import { sampled, Voice } from './voice';

/** Sound that is ready to be played. */
export interface Track {
	readonly samples: Float32Array<ArrayBuffer>;
	readonly sampleRate: number;
}

/** Seconds within which one version gives way to the other, by a third. */
const CROSSFADE = 0.01;
const TONE_LEVEL = 0.18;
const SWELL_SECONDS = 0.02;
/** Sound begins a little later than now, so that no beginning is lost. */
const LEAD_SECONDS = 0.02;

/**
 * Plays whatever a page plays, one thing at a time: passages in several tunings of which one is heard, bare tones, the
 * sound of a strike. Nothing is opened before the first sound, so that a silent page costs nothing.
 */
export class Player {
	/** What is sounding, by the name it was started with. */
	playing = $state<string | undefined>();
	/** Of sounds one after the other: which is heard. */
	turn = $state(0);
	preparing = $state<string | undefined>();
	problem = $state<string | undefined>();
	private startedAt = 0;
	private heard = 0;
	private context: AudioContext | undefined;
	private strings: WorkerClient<SoundingTasks> | undefined;
	private voices: readonly Voice[] = [];
	private going = new AbortController();

	/** @param onPlaying told when a sound begins and ends: a microphone must not take it for a strike */
	constructor(private readonly onPlaying: (playing: boolean) => void = () => {}) {}

	/** Seconds since the sound began, by the clock that the loudspeaker runs on. */
	get elapsed(): number {
		return this.context ? this.context.currentTime - this.startedAt : 0;
	}

	/** @param versions the same passage in each tuning */
	passage(name: string, versions: readonly (readonly Chord[])[]): Promise<void> {
		return this.play(name, async (context, signal) => {
			this.strings ??= soundingWorker();
			const { sampleRate } = context;
			const sounds = await this.strings.run('passage', { versions, sampleRate }, { signal });
			return this.versions(
				context,
				sounds.map((samples) => ({ samples, sampleRate }))
			);
		});
	}

	/** Sounds one after the other, with so many seconds of silence between them; `turn` says which is heard. */
	inTurn(name: string, sounds: readonly (readonly Chord[])[], pause: number): Promise<void> {
		return this.play(name, async (context, signal) => {
			this.strings ??= soundingWorker();
			const { sampleRate } = context;
			const rendered = await this.strings.run('passage', { versions: sounds, sampleRate }, { signal });
			let after = 0;
			return rendered.map((samples) => {
				const voice = new Voice(context, sampled(context, samples, sampleRate), 1, [context.destination]);
				voice.after = after;
				after += samples.length / sampleRate + pause;
				return voice;
			});
		});
	}

	/** @param prepare gives the sound, or undefined when there is none */
	track(name: string, prepare: (signal: AbortSignal) => Promise<Track | undefined>): Promise<void> {
		return this.tracks(name, async (signal) => {
			const track = await prepare(signal);
			return track && [track];
		});
	}

	/** @param prepare gives versions of a sound of which one is heard, or undefined when there are none */
	tracks(
		name: string,
		prepare: (signal: AbortSignal, context: AudioContext) => Promise<readonly Track[] | undefined>
	): Promise<void> {
		return this.play(name, async (context, signal) => {
			const tracks = await prepare(signal, context);
			return tracks && this.versions(context, tracks);
		});
	}

	/** Pure tones of those frequencies in hertz, until they are stopped. */
	tones(name: string, frequencies: readonly number[]): Promise<void> {
		return this.play(name, async (context) =>
			frequencies.map((frequency) => {
				const voice = new Voice(context, new OscillatorNode(context, { frequency }), 0, [context.destination]);
				// Swells from where it begins: a tone that began in the midst of it would click.
				voice.fade(TONE_LEVEL, SWELL_SECONDS, context.currentTime + LEAD_SECONDS);
				return voice;
			})
		);
	}

	private versions(context: AudioContext, tracks: readonly Track[]): Voice[] {
		return tracks.map(
			({ samples, sampleRate }, i) =>
				new Voice(context, sampled(context, samples, Math.round(sampleRate)), tracks[1] && i !== this.heard ? 0 : 1, [
					context.destination
				])
		);
	}

	private async play(
		name: string,
		prepare: (context: AudioContext, signal: AbortSignal) => Promise<readonly Voice[] | undefined>
	): Promise<void> {
		this.stop();
		const { signal } = (this.going = new AbortController());
		this.preparing = name;
		this.problem = undefined;
		try {
			const context = (this.context ??= new AudioContext());
			await context.resume();
			const voices = await prepare(context, signal);
			if (signal.aborted) return;
			this.preparing = undefined;
			if (voices) this.start(name, voices);
		} catch (error) {
			if (signal.aborted || isGivenUp(error)) return;
			this.preparing = undefined;
			this.problem = `This browser cannot play sound here: ${(error as Error).message}`;
		}
	}

	private start(name: string, voices: readonly Voice[]): void {
		const last = voices.at(-1);
		this.startedAt = this.context!.currentTime + LEAD_SECONDS;
		this.voices = voices;
		this.playing = name;
		this.onPlaying(true);
		this.turn = 0;
		voices.forEach((voice, i) =>
			voice.start(this.startedAt + voice.after, () => {
				if (this.voices !== voices) return;
				if (voice === last) this.stop();
				else if (voice.after < voices[i + 1].after) this.turn = i + 1;
			})
		);
	}

	/** Switches to that version, from now on and in passages to come. */
	switchTo(version: number): void {
		this.heard = version;
		this.voices.forEach((voice, i) => voice.fade(i === version ? 1 : 0, CROSSFADE));
	}

	stop(): void {
		this.going.abort();
		const { voices } = this;
		this.voices = [];
		this.playing = this.preparing = undefined;
		if (voices.length === 0) return;
		for (const voice of voices) voice.end();
		this.onPlaying(false);
	}

	close(): void {
		this.stop();
		this.strings?.close();
		void this.context?.close();
	}
}
