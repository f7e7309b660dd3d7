import {
	isHidden,
	TOGETHER_SECONDS,
	type AskedKeys,
	type ChordWord,
	type HeardBeat,
	type ListenerEvent,
	type PairWord,
	type StringReading
} from '@fendrel/core';
import { untrack } from 'svelte';
import { Listening, type ListeningOptions } from '$lib/audio/listening.svelte';
import { familyOf } from '$lib/tuning/family';
import type { Listened } from '$lib/tuning/listened';
import { listeningSetup } from '$lib/tuning/listeningSetup';
import type { Plan } from '$lib/tuning/plan';
import { isGivenUp } from '$lib/workers/client';
import { pairsWorker } from '$lib/workers/pairs.client';
import { handing } from '$lib/workers/protocol';

export type HeardKeys = Extract<PairWord, { readonly kind: 'heard' }>;

/** What is listened for. */
export interface PairWish {
	readonly plan: Plan;
	readonly a4: number;
	/** Keys that are rather expected than others. */
	readonly asked: readonly AskedKeys[];
}

/** What whoever hears does with it. */
export interface PairHearing extends Pick<Partial<ListeningOptions>, 'strikes' | 'onKept' | 'moved' | 'onMoved'> {
	/** Told of each word that names its keys. */
	readonly onHeard?: (heard: HeardKeys) => void;
	/** Told of a note that was struck alone and read, with every word of it. */
	readonly onAlone?: (reading: StringReading, isFinal: boolean) => void;
	/** Told of a chord, where chords are listened for. */
	readonly onChord?: (word: ChordWord) => void;
}

/** How hard the simulated instrument is struck. */
const STRENGTH = 0.7;
const isTold = ({ certainty }: HeardBeat) => certainty !== 'not to be said';
const keyOf = (lower: number, upper: number) => `${lower}-${upper}`;

/** Two keys struck together, heard: which they were, and how they beat. */
export class PairListening {
	listening = $state.raw() as Listening;
	/** What was told last; undefined while keys sound that nothing has been told of. */
	word = $state.raw<PairWord | undefined>();
	/** The last reading of a single note. */
	reading = $state.raw<StringReading | undefined>();
	/** Keys were struck; their word is on its way. */
	waits = $state(false);
	/** Words told so far. */
	told = $state(0);
	/** All strings of a note sound, and not one alone. */
	isOpen = $state(false);
	/** Chords are played, and not two keys. */
	hearsChords = $state(false);
	/** What was heard last of each pair of keys. */
	private heardOf = $state.raw<ReadonlyMap<string, HeardKeys>>(new Map());
	private readonly worker = pairsWorker();
	private listened!: Listened;
	private countOf: (note: number) => number = () => 1;
	private wish: PairWish;
	private struck: number | undefined;

	constructor(
		listened: Listened,
		wish: PairWish,
		private readonly hearing: PairHearing = {}
	) {
		this.wish = wish;
		this.listenTo(listened);
	}

	private listenTo(listened: Listened): void {
		this.listened = listened;
		const { twin, habits, stringing } = listened;
		const { family, body } = familyOf({ ...twin, stringing });
		this.countOf = (note) => family.sounders(body, note).length;
		this.listening = new Listening({
			setup: listeningSetup(this.wish.plan, this.wish.a4),
			...{ habits, twin, countOf: this.countOf, moved: {}, onMoved: () => {} },
			...this.hearing,
			onEvents: (events) => events.forEach((event) => this.hear(event)),
			pairs: () => this.port()
		});
	}

	/** Begins in the browser; what it returns ends it. */
	open(): () => void {
		this.listening.recall();
		return () => {
			this.listening.stop();
			this.worker.close();
		};
	}

	/** From now on this is listened for; on another instrument listening stops. */
	follow(listened: Listened, wish: PairWish): void {
		this.wish = wish;
		// Read here, so that whoever follows asks again when they change.
		void this.hearsChords;
		const counts = wish.plan.targets.map(({ note }) => (this.isOpen ? this.countOf(note) : 1));
		untrack(() => {
			if (listened.id !== this.listened.id) {
				this.listening.stop();
				this.listenTo(listened);
				this.listening.recall();
				this.word = this.reading = undefined;
				this.heardOf = new Map();
			}
			this.ask(counts);
		});
	}

	private ask(counts: readonly number[]): void {
		const { plan, a4, asked } = this.wish;
		const keyboard = {
			...{ lowest: plan.targets[0].note, highest: plan.targets[plan.targets.length - 1].note, a4, counts },
			strings: plan.targets.map(({ string }) => ({ ...string }))
		};
		this.worker.run('ask', { keyboard, asked, chords: this.hearsChords }).catch(ignoreGivenUp);
	}

	/** The sound of keys comes in here, straight from the worker that listens. */
	private port(): MessagePort {
		const { port1, port2 } = new MessageChannel();
		this.worker.run('hear', handing(port1, port1), { onProgress: (word) => this.take(word) }).catch(ignoreGivenUp);
		return port2;
	}

	private hear(event: ListenerEvent): void {
		if (event.kind === 'strike') {
			// The later of two keys may be noticed by itself.
			this.struck ??= event.at;
			if (event.at - this.struck > TOGETHER_SECONDS) this.struck = event.at;
			this.word = this.reading = undefined;
			this.waits = true;
		} else if (event.kind === 'reading') this.reading = event.reading;
		else if (event.kind === 'ended') this.waits = false;
	}

	/**
	 * One string that was read as such sounded alone; only an octave or its kin is read as its lower note, and shows as two notes
	 * where a beat can be told.
	 */
	private readAlone(word: PairWord): StringReading | undefined {
		const { reading } = this;
		if (!reading || word.kind === 'refused') return reading;
		return this.isHiddenIn(word) && word.beats.some(isTold) ? undefined : reading;
	}

	/** The upper key may have sounded with the one that was read. */
	private isHiddenIn({ keys }: HeardKeys): boolean {
		return this.reading?.note === keys.lower && isHidden(keys.upper - keys.lower);
	}

	/** One key only, as far as can be told. */
	private aloneWord(word: PairWord, only: number): PairWord {
		const { struckAt, seconds, isFinal } = word;
		const [beat] = word.kind === 'heard' && this.isHiddenIn(word) ? word.beats : [];
		const hidden = beat && word.kind === 'heard' ? { note: word.keys.upper, beat } : undefined;
		return { kind: 'refused', why: 'one note only', only, struckAt, seconds, isFinal, ...(hidden && { hidden }) };
	}

	private take(word: PairWord | ChordWord): void {
		// A microphone that was not listened to heard the page itself.
		if (this.struck === undefined || Math.abs(word.struckAt - this.struck) > 1e-6) return;
		if (word.kind === 'chord') {
			this.waits = false;
			this.told++;
			this.hearing.onChord?.(word);
			return;
		}
		const alone = this.readAlone(word);
		this.waits = false;
		this.told++;
		if (alone) {
			this.word = this.aloneWord(word, alone.note);
			this.hearing.onAlone?.(alone, word.isFinal);
			return;
		}
		this.word = word;
		if (word.kind !== 'heard') return;
		this.heardOf = new Map([...this.heardOf, [keyOf(word.keys.lower, word.keys.upper), word]]);
		this.hearing.onHeard?.(word);
	}

	/** What was heard last of a pair of keys at one of its coincidences. */
	heard(lower: number, upper: number, lowerPartial: number, upperPartial: number): HeardBeat | undefined {
		return this.heardOf
			.get(keyOf(lower, upper))
			?.beats.find((beat) => beat.lowerPartial === lowerPartial && beat.upperPartial === upperPartial);
	}

	/** A note has been moved: what was heard with it holds no longer. */
	forget(note: number): void {
		const left = [...this.heardOf].filter(([, { keys }]) => keys.lower !== note && keys.upper !== note);
		this.heardOf = new Map(left);
		this.word = undefined;
	}

	/** Strikes keys of the simulated instrument. */
	strike(notes: readonly number[]): void {
		const strings = (note: number) => (this.isOpen ? [...Array(this.countOf(note)).keys()] : [0]);
		void this.listening.simulated?.strikeTogether(
			notes.map((note) => ({ note, strings: strings(note) })),
			STRENGTH
		);
	}

	/** Turns the pin of a note's leading string on the simulated instrument. */
	turn(note: number, by: number): void {
		this.listening.simulated?.turn(note, 0, by);
		this.forget(note);
	}
}

function ignoreGivenUp(fault: unknown): void {
	if (!isGivenUp(fault)) throw fault;
}
