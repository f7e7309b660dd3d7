import {
	createRandom,
	foundPins,
	MovedStrings,
	strikePinned,
	SURROUNDINGS,
	turnPin,
	twinMotion,
	twinString,
	type InstrumentTwin,
	type MovedPins,
	type PinnedString,
	type Strike,
	type Surroundings
} from '@fendrel/core';
import { isGivenUp } from '$lib/workers/client';
import type { SoundingTasks } from '$lib/workers/sounding';
import { soundingWorker } from '$lib/workers/sounding.client';
import type { CaptureOrder } from './captureOrder';
import { onEnd } from './lifetime';
import { sampled, Voice } from './voice';

const SECONDS = 3.4;
/** A quiet room: about -72 decibels. */
const ROOM = 2.5e-4;
/** A new string that was pulled up by ear stands so many cents flat. */
const PUT_ON_FLAT = 40;
/** What is heard besides is made once, and goes round. */
const AROUND_SECONDS = 12;
/** Where the sound drops out after a strike, in seconds. */
const GAP = { from: 0.2, to: 0.3 } as const;
/** Played too loud: so many times what the microphone can carry. */
const TOO_LOUD = 5;
/** How far a string is let down until rust lets go of it, in cents. */
const FREES = 8;
const GLIDE = { cents: 1.4, seconds: 0.12 };

/** A key, and which of its strings are left unmuted (0 is the one that leads). */
export interface StruckKey {
	readonly note: number;
	readonly strings: readonly number[];
}

interface Sounding {
	readonly note: number;
	readonly string: number;
	/** Where the string stood when its sound was made. */
	readonly madeAt: number;
	readonly voice: Voice;
}

/** What a simulated instrument is. */
export interface SimulatedOptions {
	readonly twin: InstrumentTwin;
	/** How many strings a note has: as many as the one it stands for. */
	readonly countOf: (group: number) => number;
	/** Semitones that a string of a group sounds above it: of a register of its own octave. */
	readonly aboveOf?: (group: number, string: number) => number;
	readonly moved: MovedPins;
	readonly onMoved: (moved: MovedPins) => void;
}

/**
 * An instrument that is not there: its strings sound through the loudspeaker and the listening path
 * alike, its pins turn, and a turned pin bends the string that sounds.
 */
export class SimulatedInstrument {
	private readonly worker = soundingWorker();
	private sounding: Sounding[] = [];
	private strikes = 0;
	private readonly twin: InstrumentTwin;
	private readonly countOf: (note: number) => number;
	private readonly aboveOf: (note: number, string: number) => number;
	private readonly moved: MovedPins;
	private readonly onMoved: (moved: MovedPins) => void;
	private readonly stood: MovedStrings;
	private around: Surroundings = 'quiet';
	private aroundVoice: Voice | undefined;
	/** Strings come to the microphone through here. */
	private readonly microphone: GainNode;

	constructor(
		{ twin, countOf, aboveOf = () => 0, moved, onMoved }: SimulatedOptions,
		private readonly context: BaseAudioContext,
		private readonly input: AudioWorkletNode,
		private readonly lifetime: AbortSignal
	) {
		this.twin = twin;
		this.countOf = countOf;
		this.aboveOf = aboveOf;
		this.moved = moved;
		this.onMoved = onMoved;
		this.stood = new MovedStrings(twin, countOf);
		this.microphone = new GainNode(context);
		// What it cannot carry is cut off.
		const limits = new WaveShaperNode(context, { curve: new Float32Array([-1, 1]) });
		this.microphone.connect(limits).connect(input);
		const room = this.startRoom();
		onEnd(lifetime, () => {
			room.stop();
			this.damp();
			this.aroundVoice?.end();
			this.worker.close();
		});
	}

	private pinsOf(note: number): readonly PinnedString[] {
		return this.stood.pins(note, this.moved, Date.now());
	}

	private standingOf(note: number): readonly number[] {
		return this.stood.standing(note, this.moved, Date.now());
	}

	private setPins(note: number, pins: PinnedString[]): void {
		this.moved[note] = pins;
		this.onMoved({ ...this.moved });
	}

	/** Whether one of these strings has broken. */
	isBroken(note: number, strings: readonly number[]): boolean {
		const pins = this.pinsOf(note);
		return strings.some((string) => pins[string]?.broken);
	}

	/** Strikes a note with only `strings` unmuted (0 is the one that leads). */
	strike(note: number, strings: readonly number[], strength: number): Promise<void> {
		return this.strikeTogether([{ note, strings }], strength);
	}

	/** Strikes several keys at once. */
	async strikeTogether(keys: readonly StruckKey[], strength: number): Promise<void> {
		this.strikes++;
		const sounding = keys.flatMap(({ note, strings }) => this.struckStrings(note, strings, strength));
		if (sounding.length === 0) return;
		const sounds = await this.render(
			'strike',
			sounding.map(({ strike }) => strike)
		);
		if (!sounds) return;
		if (this.around !== 'undamped') this.damp();
		const start = this.context.currentTime + 0.01;
		if (this.around === 'gaps') this.loseAfter(start);
		const outputs = [this.microphone, this.context.destination];
		const struck = sounds.map((sound, i) => {
			const { note, string, madeAt, share } = sounding[i];
			const voice = new Voice(this.context, sampled(this.context, sound), share, outputs);
			const one = { note, string, madeAt, voice };
			this.bend(one, this.standingOf(note)[string]);
			voice.start(start, () => (this.sounding = this.sounding.filter((each) => each !== one)));
			return one;
		});
		this.sounding = [...this.sounding, ...struck];
	}

	/** The strings of one key that sound when it is struck, and what the blow does to its pins. */
	private struckStrings(note: number, strings: readonly number[], strength: number) {
		const feel = this.stood.feel(note);
		const pins = this.pinsOf(note).map((pin, i) => (strings.includes(i) ? strikePinned(pin, strength, feel) : pin));
		if (this.moved[note]) this.setPins(note, pins);
		const standing = this.standingOf(note);
		const sounding = strings.filter((string) => string < pins.length && !pins[string].broken);
		return sounding.map((string) => {
			const sounds = note + this.aboveOf(note, string);
			const strike: Strike = {
				note: sounds,
				strings: [twinString(this.twin, sounds, standing[string])],
				sampleRate: this.context.sampleRate,
				seconds: SECONDS,
				strength,
				seed: this.twin.seed + 8 * this.strikes + 131 * (note % 12) + string,
				glide: GLIDE,
				motion: twinMotion(this.twin, note, string)
			};
			return { note, string, madeAt: standing[string], share: 1 / Math.sqrt(sounding.length), strike };
		});
	}

	/** Part of the sound after a moment does not come in. */
	private loseAfter(moment: number): void {
		const { sampleRate } = this.context;
		const gap = { from: (moment + GAP.from) * sampleRate, to: (moment + GAP.to) * sampleRate };
		this.input.port.postMessage({ gap } satisfies CaptureOrder);
	}

	/** Changes what there is about it. */
	async surround(around: Surroundings): Promise<void> {
		this.around = around;
		this.microphone.gain.value = around === 'loud' ? TOO_LOUD : 1;
		this.aroundVoice?.end();
		this.aroundVoice = undefined;
		if (!SURROUNDINGS.some(({ id, isHeard }) => id === around && isHeard)) return;
		const { sampleRate } = this.context;
		const job = { surroundings: around, seconds: AROUND_SECONDS, seed: this.twin.seed, sampleRate };
		const sound = await this.render('surroundings', job);
		if (!sound || this.around !== around) return;
		const source = sampled(this.context, sound);
		source.loop = true;
		this.aroundVoice = new Voice(this.context, source, 1, [this.input, this.context.destination]);
		this.aroundVoice.start(this.context.currentTime);
	}

	/** @returns undefined when another one of its kind has taken its place, or nobody listens any more */
	private async render<K extends 'strike' | 'surroundings'>(
		task: K,
		job: SoundingTasks[K]['takes']
	): Promise<SoundingTasks[K]['gives'] | undefined> {
		try {
			const sound = await this.worker.run(task, job);
			return this.lifetime.aborted ? undefined : sound;
		} catch (fault) {
			if (isGivenUp(fault)) return undefined;
			throw fault;
		}
	}

	/** Turns a pin by so many cents; a sounding string follows at once. */
	turn(note: number, string: number, by: number): void {
		const pins = [...this.pinsOf(note)];
		if (string >= pins.length || pins[string].broken) return;
		const [found] = foundPins(this.twin, note, this.countOf(note)).slice(string);
		const turned = turnPin(pins[string], by, this.stood.feel(note), Date.now());
		const freed = turned.freed || turned.pin < found.pin - FREES;
		const broken = turned.speaking > this.stood.body.breaksAt(note, string, freed);
		pins[string] = { ...turned, ...(freed && { freed }), ...(broken && { broken }) };
		this.setPins(note, pins);
		for (const one of this.sounding)
			if (broken && one.note === note && one.string === string) one.voice.end();
			else this.bend(one, this.standingOf(one.note)[one.string]);
	}

	/** A new string is put on in place of one that broke: slack by so much, on a pin that was let down. */
	replace(note: number, string: number): void {
		const pins = [...this.pinsOf(note)];
		if (!pins[string]) return;
		pins[string] = { pin: -PUT_ON_FLAT, speaking: -PUT_ON_FLAT };
		this.setPins(note, pins);
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
