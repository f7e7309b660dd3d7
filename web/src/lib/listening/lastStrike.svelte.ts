import type { StringReading, UnisonAnalysis } from '@fendrel/core';
import { Player, type Track } from '$lib/audio/player.svelte';
import { isGivenUp } from '$lib/workers/client';
import { lastStrikeWorker } from '$lib/workers/lastStrike.client';
import { handing } from '$lib/workers/protocol';

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
	readonly player: Player;
	private readonly worker = lastStrikeWorker();
	private missing = $state<number | undefined>();

	/** @param onPlaying told when its own sound begins and ends: a microphone must not take it for a strike */
	constructor(onPlaying: (playing: boolean) => void) {
		this.player = new Player(onPlaying);
	}

	/** The sound of strikes comes in here, straight from the worker that listens. */
	port(): MessagePort {
		const { port1, port2 } = new MessageChannel();
		this.worker.run('keep', handing(port1, port1)).catch(() => {});
		return port2;
	}

	/** @returns undefined when a later strike has taken its place */
	async look({ note, struckAt }: StringReading, strings: number): Promise<HeardUnison | undefined> {
		try {
			const look = await this.worker.run('look', { struckAt, strings });
			if (!look) return undefined;
			this.looks++;
			this.stop();
			this.reading = look.reading;
			return (this.heard = { note, strings, analysis: look.analysis });
		} catch (fault) {
			if (isGivenUp(fault)) return undefined;
			throw fault;
		}
	}

	/** The partial that is being heard by itself. */
	get playing(): number | undefined {
		const { playing, preparing } = this.player;
		const name = playing ?? preparing;
		return name === undefined ? undefined : Number(name);
	}

	get problem(): string | undefined {
		return this.missing === undefined
			? this.player.problem
			: `Partial ${this.missing} cannot be separated from the rest of the sound.`;
	}

	/** Lets one partial be heard alone, then in the whole; once more the same partial: stops. */
	async playPartial(partial: number): Promise<void> {
		const again = this.playing === partial;
		this.stop();
		if (again || !this.reading) return;
		await this.player.track(String(partial), async (signal) => {
			const sound = await this.worker.run('partial', partial, { signal });
			if (!sound) this.missing = partial;
			return sound;
		});
	}

	/** The sound of the last strike; undefined before there is one. */
	whole(): Promise<Track | undefined> {
		return this.worker.run('whole', undefined);
	}

	private stop(): void {
		this.missing = undefined;
		this.player.stop();
	}

	close(): void {
		this.player.close();
		this.worker.close();
	}
}
