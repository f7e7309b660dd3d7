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
import { isGivenUp } from '$lib/workers/client';
import { soundingWorker } from '$lib/workers/sounding.client';
import { onEnd } from './lifetime';
import { sampled, Voice } from './voice';

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
	readonly voice: Voice;
}

/**
 * An instrument that is not there: its strings sound through the loudspeaker and the listening path
 * alike, its pins turn, and a turned pin bends the string that sounds.
 */
export class SimulatedInstrument {
	private readonly worker = soundingWorker();
	private sounding: Sounding[] = [];
	private strikes = 0;

	constructor(
		private readonly twin: InstrumentTwin,
		private readonly countOf: (note: number) => number,
		private readonly moved: MovedPins,
		private readonly onMoved: (moved: MovedPins) => void,
		private readonly context: BaseAudioContext,
		private readonly input: AudioNode,
		private readonly lifetime: AbortSignal
	) {
		const room = this.startRoom();
		onEnd(lifetime, () => {
			room.stop();
			this.damp();
			this.worker.close();
		});
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
		const sounds = await this.render(strikes);
		if (!sounds) return;
		this.damp();
		const start = this.context.currentTime + 0.01;
		const outputs = [this.input, this.context.destination];
		this.sounding = sounds.map((sound, i) => {
			const string = sounding[i];
			const voice = new Voice(this.context, sampled(this.context, sound), 1 / Math.sqrt(sounds.length), outputs);
			const one = { note, string, madeAt: pins[string].speaking, voice };
			this.bend(one, this.pinsOf(note)[string].speaking);
			voice.start(start);
			return one;
		});
	}

	/** @returns undefined when another strike has taken its place, or nobody listens any more */
	private async render(strikes: readonly Strike[]): Promise<readonly Float32Array<ArrayBuffer>[] | undefined> {
		try {
			const sounds = await this.worker.run('strike', strikes);
			return this.lifetime.aborted ? undefined : sounds;
		} catch (fault) {
			if (isGivenUp(fault)) return undefined;
			throw fault;
		}
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

	private bend({ voice, madeAt }: Sounding, to: number): void {
		voice.bend(to - madeAt);
	}

	/** Lets the dampers fall. */
	private damp(): void {
		for (const { voice } of this.sounding) voice.end();
		this.sounding = [];
	}

	private startRoom(): AudioBufferSourceNode {
		const { context } = this;
		const random = createRandom(this.twin.seed);
		const noise = Float32Array.from({ length: 2 * context.sampleRate }, () => ROOM * random.normal());
		const room = sampled(context, noise);
		room.loop = true;
		room.connect(this.input);
		room.start();
		return room;
	}
}
