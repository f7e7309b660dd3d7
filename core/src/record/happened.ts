import { AUDIBLE } from '../units/pitch';
import type { PinFound } from './pinFound';
import type { ArrivalAct } from './brief';
import type { ClosingAct } from './closing';
import type { FretMoved, PlannedFrets, WolfNote } from './fretActs';
import type { Bent, Breath, Filed, Lasting, PlannedIntonation } from './reedActs';
import type { SounderId } from './sounder';

/** What happened in a visit has a place in its order: by the time it was placed at, then by device and its counter. */
export interface Happened {
	/** Made on the device, so that sending twice stores once. */
	readonly id: string;
	readonly device: string;
	/** Rises by one with everything that happens on the device. */
	readonly counter: number;
	/**
	 * Milliseconds since 1970. On the device by its own clock; once stored by the server's, whatever the device's clock
	 * says. Within a device it never falls as the counter rises.
	 */
	readonly at: number;
}

/** Which of two happened first, the same on every device and in whatever order they arrived. */
export function compareHappened(a: Happened, b: Happened): number {
	if (a.at !== b.at) return a.at - b.at;
	if (a.device !== b.device) return a.device < b.device ? -1 : 1;
	return a.counter - b.counter || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}

/** How a sound came in. */
export const SOUND_SOURCES = ['microphone', 'simulated', 'file'] as const;
export type SoundSource = (typeof SOUND_SOURCES)[number];

/** In which way something was listened to: a strike that dies away, or a tone that is kept going. */
export const WAYS = ['struck', 'lasting'] as const;
export type Way = (typeof WAYS)[number];

/** What is measured of a sounding; null: not told, or nobody looked. Frequencies in Hz, errors standard errors. */
export interface Measured {
	readonly way: Way;
	/** First partial, from all partials together; its error in cents. */
	readonly pitch: number;
	readonly pitchError: number | null;
	/** F, as readings have stored it from the beginning: elsewhere it is the string's flexible pitch. */
	readonly fundamental: number | null;
	readonly inharmonicity: number | null;
	readonly inharmonicityError: number | null;
	/** Seconds after the strike that the figures stand for. */
	readonly moment: number | null;
	/** One string's own beat, per second, and how deep (0 to 1); 0: none to be heard. */
	readonly falseBeat: number | null;
	readonly falseBeatDepth: number | null;
	/** Of several strings together, from the lowest to the highest, in cents; 0: still. */
	readonly spread: number | null;
	readonly spreadError: number | null;
	/** Of a tone that lasts; null, or not said: it was struck. */
	readonly lasting?: Lasting | null;
}

/** Everything measured of one sounding: stored once, never changed. */
export type Reading = Happened &
	Measured & {
		/** What sounded, the one that leads first. */
		readonly sounders: readonly SounderId[];
		readonly source: SoundSource;
		/** First partial that was wanted at that moment, in Hz, and how far from it the sounders lay where they were listened to, in cents. */
		readonly target: number;
		readonly deviation: number;
		/** Partial that `deviation` was heard at; null: all of them together. */
		readonly listened: number | null;
	};

/** What a visit is set to: a version is never changed, a new one follows it. */
export interface PlanVersion {
	readonly id: string;
	readonly a4: number;
	readonly temperamentId: string;
	readonly tolerance: number;
	/** The curve that was taken, by its id. */
	readonly curveId: string | null;
	/** What leads a curve drawn afresh: plans from before curves were kept. */
	readonly lead: string | null;
	/** A raise or lowering that goes before the tuning; null, or not said: none. */
	readonly raise?: PlannedRaise | null;
	/** Notes that are touched while the rest stays as it is; null, or not said: all are set. */
	readonly touch?: readonly TouchedNote[] | null;
	/** null, or not said: the usual order. */
	readonly order?: PlannedOrder | null;
	/** Of free reeds; null, or not said: strings, or every reed equal. */
	readonly intonation?: PlannedIntonation | null;
	/** Of frets; null, or not said: as usual. */
	readonly frets?: PlannedFrets | null;
}

/** A note that is brought so many cents above its target, or below: to its neighbours' level. */
export interface TouchedNote {
	readonly note: number;
	readonly above: number;
}

/** What a raise has told of a piano: figures of `raise/learning.ts`, as they are kept. */
export interface LearnedRaise {
	readonly means: readonly number[];
	readonly covariance: readonly (readonly number[])[];
	readonly own: readonly (readonly [note: number, mean: number, sd: number])[];
	readonly raises: number;
}

export const UNISONS = ['together', 'stripFirst'] as const;
export type Unisons = (typeof UNISONS)[number];

/** A raise as it was planned. */
export interface PlannedRaise {
	/** By which school, in which order, and how far above their targets strings are set at most, in cents. */
	readonly school: string;
	readonly order: string;
	readonly cap: number;
	/** Runs of an order of one's own. */
	readonly own?: readonly (readonly [first: number, last: number])[];
	/** Whether the strings of a note are set together, or middle strings first with the strip in; not said: together. */
	readonly unisons?: Unisons;
	/** The pass that is due, from 1; 0: a trial, one string of one note an octave. */
	readonly pass: number;
}

/** In which order an instrument is set. */
export interface PlannedOrder {
	/** How the temperament's notes follow each other: an order of the list. */
	readonly first: string;
	/** The temperament octave's lowest note. */
	readonly octave: number;
	readonly outwards: 'upFirst' | 'downFirst';
	/** When the other strings of a note follow. */
	readonly unisons: 'notAsked' | 'asOneGoes' | 'afterwards';
	/** What is set by ear, its cents hidden. */
	readonly byEar: 'nothing' | 'outwards' | 'all';
}

/** `raised`: left so in a pass that goes before the tuning. */
export const PURPOSES = ['found', 'raised', 'set', 'proved'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** What is noted of a string while it is set: it beats by itself, or waits for the end. */
export const MARKS = ['falseBeat', 'later'] as const;
export type Mark = (typeof MARKS)[number];

/** Stages of a visit, in order. */
export const STAGES = ['arrive', 'sound', 'plan', 'set', 'prove', 'close'] as const;
export type Stage = (typeof STAGES)[number];

/** What a plan says, part by part: two devices may each change another one. */
export const PLAN_FIELDS = [
	'a4',
	'temperament',
	'tolerance',
	'curve',
	'raise',
	'touch',
	'order',
	'intonation',
	'frets'
] as const;
export type PlanField = (typeof PLAN_FIELDS)[number];

/** Two groups that were struck together, and how they beat where their partials meet. */
export interface HeardInterval {
	readonly lower: number;
	readonly upper: number;
	readonly lowerPartial: number;
	readonly upperPartial: number;
	/** Beats per second, above 0 where it is wide; its standard error. */
	readonly rate: number;
	readonly error: number;
	/** null: the side of pure was not sure, or it was still. */
	readonly sense: 'wide' | 'narrow' | null;
	/** Of reeds: how hard they were blown or drawn. */
	readonly breath?: Breath | null;
}

/** A chord that was played, as its notes were heard in it. */
export interface HeardChord {
	/** 0 for C to 11 for B. */
	readonly root: number;
	readonly kind: string;
	/** Cents from where each is planned, with their standard error, null where others hid it; and how far its strings lie apart. */
	readonly notes: readonly {
		readonly note: number;
		readonly cents: number | null;
		readonly error: number | null;
		readonly apart: number;
	}[];
}

/** Versions that this one was written over, by their acts' ids; not said: all that were there before it. */
interface WrittenOver {
	readonly over?: readonly string[];
}

/** Whatever else happens in a visit. */
export type Act = Happened &
	(
		| {
				/** Sounders are taken as they stand: as found, as left in a pass, as proved. */
				readonly do: 'accept';
				readonly sounders: readonly SounderId[];
				readonly purpose: Purpose;
				/** Which time over, from 1. */
				readonly pass: number;
				/** The reading it rests on; null: by ear. */
				readonly reading: string | null;
				/** First partial it was to be set to then, and the one it shall end at; in a raise they differ. In Hz; null: none. */
				readonly setTo: number | null;
				readonly final: number | null;
				readonly plan: string | null;
		  }
		| { readonly do: 'takeBack'; readonly act: string }
		/** A reading that was none: somebody talked, the wrong key. What rests on it falls with it. */
		| { readonly do: 'discard'; readonly reading: string }
		/** `wrote`: the fields that were chosen, none when a visit begins; all of them where it is not said. */
		| ({ readonly do: 'plan'; readonly plan: PlanVersion; readonly wrote?: readonly PlanField[] } & WrittenOver)
		/** Where the work stands: what is due. */
		| { readonly do: 'place'; readonly group: number | null }
		| { readonly do: 'stage'; readonly stage: Stage }
		/** Not on: taken off again. */
		| { readonly do: 'mark'; readonly sounders: readonly SounderId[]; readonly as: Mark; readonly on: boolean }
		| ({ readonly do: 'note'; readonly text: string } & WrittenOver)
		| { readonly do: 'finish' }
		| ({ readonly do: 'heard' } & HeardInterval)
		| ({ readonly do: 'chord' } & HeardChord)
		| ({ readonly do: 'filed' } & Filed)
		| ({ readonly do: 'bent' } & Bent)
		| ({ readonly do: 'fretMoved' } & FretMoved)
		| ({ readonly do: 'wolf' } & WolfNote)
		/** A string's pin was found elsewhere than it was thought to be. */
		| ({ readonly do: 'pinFound' } & PinFound)
		/** What a raise has told of the piano: the next one begins with it. */
		| { readonly do: 'learned'; readonly learned: LearnedRaise }
		| ArrivalAct
		| ClosingAct
	);
export type ActOf<Kind extends Act['do']> = Extract<Act, { readonly do: Kind }>;

export type VisitEvent = Reading | Act;

export function isReading(event: VisitEvent): event is Reading {
	return 'way' in event;
}

const isAudible = (frequency: number) => frequency >= AUDIBLE.lowest && frequency <= AUDIBLE.highest;

/** False for a stored reading that no string can have given: it costs itself and nothing else. */
export function isUsable({ pitch, target, deviation }: Pick<Reading, 'pitch' | 'target' | 'deviation'>): boolean {
	return isAudible(pitch) && isAudible(target) && Number.isFinite(deviation);
}
