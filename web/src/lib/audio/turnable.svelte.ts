import { movedBy, type PassageVoice, type StringMotion } from '@fendrel/core';
import { isGivenUp } from '$lib/workers/client';
import { soundingWorker } from '$lib/workers/sounding.client';
import { sampled, Voice } from './voice';

/** A string that can be struck and turned, under its own name. */
export interface TurnableString {
	readonly id: string;
	readonly voice: Pick<PassageVoice, 'note' | 'string' | 'partials'>;
	/** Cents at which it stands now from where `voice` has it. */
	readonly cents: number;
	readonly motion?: StringMotion;
}

interface Sounding {
	readonly id: string;
	readonly madeAt: number;
	readonly voice: Voice;
}

const SECONDS = 4.5;
const STRENGTH = 0.5;
/** No louder than a piano played softly. */
const LEVEL = 0.6;
const LEAD = 0.02;

/** Strings of a twin that sound through the loudspeaker and can be turned while they do. */
export class TurnableStrings {
	/** What sounds, by the name it was struck under. */
	playing = $state<string | undefined>();
	isPreparing = $state(false);
	problem = $state<string | undefined>();
	private context: AudioContext | undefined;
	private out: GainNode | undefined;
	private readonly worker = soundingWorker();
	private sounding: Sounding[] = [];
	private strikes = 0;
	private standing: ReadonlyMap<string, number> = new Map();

	/** Strikes strings together, once all have been made. @param name says afterwards what sounds */
	async strike(name: string, strings: readonly TurnableString[]): Promise<void> {
		const order = ++this.strikes;
		this.problem = undefined;
		this.isPreparing = true;
		try {
			const context = (this.context ??= new AudioContext());
			await context.resume();
			this.out ??= this.connected(context);
			this.standing = new Map(strings.map(({ id, cents }) => [id, cents]));
			const sounds = await this.worker.run(
				'strike',
				strings.map(({ voice: { note, string, partials }, cents, motion }, i) => ({
					...{
						note,
						strings: [movedBy(string, cents)],
						sampleRate: context.sampleRate,
						seconds: SECONDS,
						strength: STRENGTH
					},
					...{ seed: 31 * order + i, motion, partials }
				}))
			);
			if (order !== this.strikes) return;
			this.isPreparing = false;
			this.damp();
			const start = context.currentTime + LEAD;
			this.playing = name;
			this.sounding = sounds.map((samples, i) => {
				const { id, cents } = strings[i];
				const voice = new Voice(context, sampled(context, samples), 1 / Math.sqrt(strings.length), [this.out!]);
				const one = { id, madeAt: cents, voice };
				this.bend(one);
				voice.start(start, () => {
					this.sounding = this.sounding.filter((each) => each !== one);
					if (this.sounding.length === 0) this.playing = undefined;
				});
				return one;
			});
		} catch (error) {
			if (isGivenUp(error)) return;
			this.isPreparing = false;
			this.problem = `This browser cannot play sound here: ${(error as Error).message}`;
		}
	}

	private connected(context: AudioContext): GainNode {
		const out = new GainNode(context, { gain: LEVEL });
		out.connect(context.destination);
		return out;
	}

	private bend({ id, voice, madeAt }: Sounding): void {
		voice.bend((this.standing.get(id) ?? 0) - madeAt);
	}

	/** A string stands at so many cents from now on; where it sounds it follows at once. */
	turnTo(id: string, cents: number): void {
		this.standing = new Map(this.standing).set(id, cents);
		for (const one of this.sounding) if (one.id === id) this.bend(one);
	}

	private damp(): void {
		for (const { voice } of this.sounding) voice.end();
		this.sounding = [];
	}

	stop(): void {
		this.strikes++;
		this.isPreparing = false;
		this.damp();
		this.playing = undefined;
	}

	close(): void {
		this.stop();
		this.worker.close();
		void this.context?.close();
	}
}
