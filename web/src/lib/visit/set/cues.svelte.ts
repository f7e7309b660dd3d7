import { Player } from '$lib/audio/player.svelte';
import { cueSamples, type Cue } from './cueSound';
import { spokenCue } from './spoken';

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
	private untold: { readonly note: number; readonly cue: Cue; readonly cents: number | undefined } | undefined;

	/** @param onSounding told when a cue begins and ends: a microphone must not take it for a strike */
	constructor(private readonly onSounding: (sounding: boolean) => void) {
		this.player = new Player(onSounding);
	}

	choose(way: CueWay): void {
		this.hush();
		this.way = way;
		localStorage.setItem(KEY, way);
	}

	/** What a strike said, to be told when the string is silent. */
	remember(note: number, cue: Cue, cents: number | undefined): void {
		this.untold = { note, cue, cents };
	}

	/** The string is silent. @param due the note that is due now */
	tell(due: number): void {
		const { untold } = this;
		this.untold = undefined;
		if (!untold) return;
		const { note, cue, cents } = untold;
		if (this.way === 'tones') {
			const samples = cueSamples(cue, RATE);
			if (samples) void this.player.track('cue', async () => ({ samples, sampleRate: RATE }));
		} else if (this.way === 'spoken' && canSpeak()) {
			const spoken = new SpeechSynthesisUtterance(spokenCue(note, cue, cents, due));
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
