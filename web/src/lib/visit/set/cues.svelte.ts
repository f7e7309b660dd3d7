import { Player } from '$lib/audio/player.svelte';
import { cueSamples, type Cue } from './cueSound';

/** How the page tells what it has heard to whoever does not look: not at all, by tones, spoken. */
export const CUE_WAYS = ['silent', 'tones', 'spoken'] as const;
export type CueWay = (typeof CUE_WAYS)[number];
const KEY = 'fendrel.cues';
const RATE = 48_000;

const canSpeak = () => typeof speechSynthesis !== 'undefined';
function kept(): CueWay {
	const way = globalThis.localStorage?.getItem(KEY);
	return CUE_WAYS.find((each) => each === way) ?? 'silent';
}

/** Tells what was heard, once the string is silent: never while one is listened to. */
export class Cues {
	way = $state<CueWay>(kept());
	private readonly player: Player;

	/** @param onSounding told when a cue begins and ends: a microphone must not take it for a strike */
	constructor(private readonly onSounding: (sounding: boolean) => void) {
		this.player = new Player(onSounding);
	}

	choose(way: CueWay): void {
		this.hush();
		this.way = way;
		localStorage.setItem(KEY, way);
	}

	/** @param words the same, spoken */
	tell(cue: Cue, words: string): void {
		if (this.way === 'tones') {
			const samples = cueSamples(cue, RATE);
			if (samples) void this.player.track('cue', async () => ({ samples, sampleRate: RATE }));
		} else if (this.way === 'spoken' && canSpeak()) {
			const spoken = new SpeechSynthesisUtterance(words);
			spoken.lang = 'en';
			spoken.onstart = () => this.onSounding(true);
			spoken.onend = spoken.onerror = () => this.onSounding(false);
			speechSynthesis.cancel();
			speechSynthesis.speak(spoken);
		}
	}

	/** A string is struck: whatever is being told gives way. */
	hush(): void {
		this.player.stop();
		if (canSpeak()) speechSynthesis.cancel();
	}

	close(): void {
		this.hush();
		this.player.close();
	}
}
