import {
	createRandom,
	foundPins,
	strikePinned,
	turnPin,
	twinMotion,
	twinString,
	type InstrumentTwin,
	type PinnedString,
	type Strike
} from '@fendrel/core';
import { wrap, type Remote } from 'comlink';
import type { SoundingWorker } from '$lib/workers/sounding';
import Worker from '$lib/workers/sounding.worker?worker';

/** Pins that the lever has moved, by note. */
export type MovedPins = Record<string, PinnedString[]>;

const SECONDS = 3.2;
/** A quiet room: about -72 decibels. */
const ROOM = 2.5e-4;
const GLIDE = { cents: 1.4, seconds: 0.12 };

interface Sounding {
	readonly note: number;
	readonly string: number;
	/** Where the string stood when its sound was made. */
	readonly madeAt: number;
	readonly source: AudioBufferSourceNode;
	readonly gain: GainNode;
}

/**
 * An instrument that is not there: its strings sound through the loudspeaker and the listening path
 * alike, its pins turn, and a turned pin bends the string that sounds.
 */
export class SimulatedInstrument {
	private readonly worker = new Worker();
	private readonly remote: Remote<SoundingWorker> = wrap<SoundingWorker>(this.worker);
	private sounding: Sounding[] = [];
	private strikes = 0;
	private room: AudioBufferSourceNode | undefined;

	constructor(
		private readonly twin: InstrumentTwin,
		private readonly countOf: (note: number) => number,
		private readonly moved: MovedPins,
		private readonly onMoved: (moved: MovedPins) => void,
		private readonly context: BaseAudioContext,
		private readonly input: AudioNode
	) {
		this.startRoom();
	}

	private pinsOf(note: number): readonly PinnedString[] {
		const count = this.countOf(note);
		const moved = this.moved[note] ?? [];
		// A note that was given more strings since then has those as they were invented.
		return moved.length >= count
			? moved.slice(0, count)
			: [...moved, ...foundPins(this.twin, note, count).slice(moved.length)];
	}

	private setPins(note: number, pins: PinnedString[]): void {
		this.moved[note] = pins;
		this.onMoved({ ...this.moved });
	}

	/** Strikes a note with only `strings` unmuted (0 is the one that leads). */
	async strike(note: number, strings: readonly number[], strength: number): Promise<void> {
		const pins = this.pinsOf(note).map((pin, i) => (strings.includes(i) ? strikePinned(pin, strength) : pin));
		if (this.moved[note]) this.setPins(note, pins);
		this.strikes++;
		const sounding = strings.filter((string) => string < pins.length);
		const strikes = sounding.map((string): Strike => ({
			note,
			strings: [twinString(this.twin, note, pins[string].speaking)],
			sampleRate: this.context.sampleRate,
			seconds: SECONDS,
			strength,
			seed: this.twin.seed + 8 * this.strikes + string,
			glide: GLIDE,
			motion: twinMotion(this.twin, note, string)
		}));
		const sounds = await this.remote.render(strikes);
		this.damp();
		const start = this.context.currentTime + 0.01;
		this.sounding = sounds.map((sound, i) => {
			const buffer = this.context.createBuffer(1, sound.length, this.context.sampleRate);
			buffer.copyToChannel(sound, 0);
			const source = this.context.createBufferSource();
			source.buffer = buffer;
			const gain = this.context.createGain();
			gain.gain.value = 1 / Math.sqrt(sounds.length);
			source.connect(gain);
			gain.connect(this.input);
			gain.connect(this.context.destination);
			const string = sounding[i];
			const one = { note, string, madeAt: pins[string].speaking, source, gain };
			this.bend(one, this.pinsOf(note)[string].speaking);
			source.start(start);
			return one;
		});
	}

	/** Turns a pin by so many cents; a sounding string follows at once. */
	turn(note: number, string: number, by: number): void {
		const pins = [...this.pinsOf(note)];
		if (string >= pins.length) return;
		pins[string] = turnPin(pins[string], by);
		this.setPins(note, pins);
		for (const one of this.sounding)
			if (one.note === note && one.string === string) this.bend(one, pins[string].speaking);
	}

	private bend(one: Sounding, to: number): void {
		one.source.detune.setTargetAtTime(to - one.madeAt, this.context.currentTime, 0.015);
	}

	/** Lets the dampers fall. */
	private damp(): void {
		const now = this.context.currentTime;
		for (const { source, gain } of this.sounding) {
			gain.gain.setTargetAtTime(0, now, 0.004);
			source.stop(now + 0.03);
		}
		this.sounding = [];
	}

	private startRoom(): void {
		const { context } = this;
		const buffer = context.createBuffer(1, 2 * context.sampleRate, context.sampleRate);
		const noise = buffer.getChannelData(0);
		const random = createRandom(this.twin.seed);
		for (let i = 0; i < noise.length; i++) noise[i] = ROOM * random.normal();
		this.room = context.createBufferSource();
		this.room.buffer = buffer;
		this.room.loop = true;
		this.room.connect(this.input);
		this.room.start();
	}

	close(): void {
		this.room?.stop();
		this.damp();
		this.worker.terminate();
	}
}
