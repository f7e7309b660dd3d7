import type { PassageVoice } from '@fendrel/core';
import { isGivenUp } from '$lib/workers/client';
import { soundingWorker } from '$lib/workers/sounding.client';
import { sampled, Voice } from './voice';

const SECONDS = 3;
const STRENGTH = 0.5;
const LEVEL = 0.35;
const CROSSFADE = 0.01;
const RELEASE = 0.08;

/** Keys that sound at once when they are pressed, in several versions of which one is heard. */
export class StruckKeys {
	isPreparing = $state(false);
	problem = $state<string | undefined>();
	/** Keys that are held. */
	held = $state.raw<ReadonlySet<number>>(new Set());
	private readonly worker = soundingWorker();
	private context: AudioContext | undefined;
	private made: ReadonlyMap<number, readonly Float32Array<ArrayBuffer>[]> = new Map();
	private readonly sounding = new Map<number, readonly Voice[]>();
	private heard = 0;

	/** Makes the sounds of keys, so that none is waited for. @param versions each key's strings, version by version */
	async prepare(
		notes: readonly number[],
		versions: readonly ((note: number) => readonly PassageVoice[])[]
	): Promise<void> {
		this.problem = undefined;
		this.isPreparing = true;
		this.made = new Map();
		try {
			const { sampleRate } = (this.context ??= new AudioContext());
			const jobs = notes.flatMap((note) =>
				versions.map((voices) => ({ note, strings: voices(note).map(({ string }) => string) }))
			);
			const sounds = await this.worker.run(
				'strike',
				jobs.map(({ note, strings }) => ({
					...{ note, strings: strings.slice(0, 3), sampleRate, seconds: SECONDS, strength: STRENGTH, seed: note }
				}))
			);
			this.made = new Map(notes.map((note, i) => [note, sounds.slice(i * versions.length, (i + 1) * versions.length)]));
			this.isPreparing = false;
		} catch (error) {
			if (isGivenUp(error)) return;
			this.isPreparing = false;
			this.problem = `This browser cannot play sound here: ${(error as Error).message}`;
		}
	}

	async press(note: number): Promise<void> {
		const sounds = this.made.get(note);
		const { context } = this;
		if (!sounds || !context || this.held.has(note)) return;
		this.held = new Set(this.held).add(note);
		await context.resume();
		this.end(note);
		const voices = sounds.map(
			(samples, i) => new Voice(context, sampled(context, samples), i === this.heard ? LEVEL : 0, [context.destination])
		);
		for (const voice of voices) voice.start(context.currentTime);
		this.sounding.set(note, voices);
	}

	release(note: number): void {
		const rest = new Set(this.held);
		rest.delete(note);
		this.held = rest;
		for (const voice of this.sounding.get(note) ?? []) voice.fade(0, RELEASE);
	}

	releaseAll(): void {
		for (const note of this.held) this.release(note);
	}

	switchTo(version: number): void {
		this.heard = version;
		for (const [note, voices] of this.sounding)
			if (this.held.has(note)) voices.forEach((voice, i) => voice.fade(i === version ? LEVEL : 0, CROSSFADE));
	}

	private end(note: number): void {
		for (const voice of this.sounding.get(note) ?? []) voice.end();
		this.sounding.delete(note);
	}

	close(): void {
		for (const note of [...this.sounding.keys()]) this.end(note);
		this.worker.close();
		void this.context?.close();
	}
}
