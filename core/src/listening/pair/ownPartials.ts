import { median } from 'd3-array';
import { MEDIAN_TO_SD } from '../../numeric/bisquare';
import { partialHz, type StiffString } from '../../strings/stiffString';
import { resolveComponents } from '../closer/components';
import { fitDampedPartial, partialEnvelope } from '../closer/envelope';
import { HIGHEST_SHARE_OF_RATE, WIDEST_HZ } from '../closer/unison';
import { centsBetween } from '../../units/pitch';
import { hz } from '../../units/quantity';
import { fitString } from '../stream/stringFit';

/*
 * Notes that sound together share some partials, where they beat; others stand alone. By these each note is known, as if
 * it were by itself: its law (F and B), how loud it is, and how it falls.
 */

/** A sound, from shortly after both keys were struck. */
export interface PairSound {
	readonly samples: Float32Array;
	readonly sampleRate: number;
}

/** A note of the pair as it is thought to stand, and how many of its strings sound. */
export interface PairNote {
	readonly string: StiffString;
	readonly strings: number;
}

/** A partial that no other comes near; frequencies in Hz, errors standard errors. */
export interface OwnPartial {
	readonly partial: number;
	readonly frequency: number;
	readonly error: number;
	readonly amplitude: number;
	readonly decaySeconds: number;
	/** From the lowest to the highest of the note's own tones there; 0 when one was told. */
	readonly spread: number;
}

/** What is known of a note from its own partials. */
export interface KnownNote {
	readonly string: StiffString;
	readonly strings: number;
	readonly own: readonly OwnPartial[];
	/** How far its partials lie from its law, in cents: a robust standard deviation. */
	readonly misfit: number;
	/** How far its strings stand apart, in cents; 0 where one string sounds or nothing was told apart. */
	readonly apart: number;
	/** How many of the partials that should stand alone were there. */
	readonly present: number;
	readonly expected: number;
}

/** Above that piano strings give neither ear nor figure anything to hold on to, in Hz. */
export const HIGHEST_HZ = 4200;
const HIGHEST_PARTIAL = 16;
/** Tones of neighbouring partials lie no nearer than that for a window to part them: so many turns in the time heard, and Hz. */
const PARTED = { turns: 5, hz: 4 } as const;
/** A partial is there when it explains more than half of what comes through, and is no weaker than this beside the loudest. */
const THERE = { left: 0.5, share: 0.004 } as const;
/** No partial lies further from where its note is thought to stand, in cents. */
export const FURTHEST = 35;
/** How far strings of a unison stand apart is told by so many partials; no tuned unison stands further apart, in cents. */
const RESOLVED = 2;
const MOST_APART = 6;
/** The first look takes the lowest partials: where a note stands is known before its stiffness is. */
const FIRST_PARTIALS = 7;
/** B as it is known before: by that share. */
const DOUBT_OF_B = 0.35;
/** Partials never lie nearer to the law than that, nor are thought to, in cents. */
const LEAST_MISFIT = 0.08;
const USUAL_MISFIT = 0.5;

/** Hz from a partial to the nearest one of either note, itself left out. */
export function roomAbout(frequency: number, strings: readonly StiffString[], but: readonly number[]): number {
	let room = Infinity;
	for (const string of strings)
		for (let n = 1; n <= 2 * HIGHEST_PARTIAL; n++) {
			const other = partialHz(string, n);
			if (but.some((each) => Math.abs(each - other) < 1e-6)) continue;
			room = Math.min(room, Math.abs(other - frequency));
		}
	return room;
}

function ownPartialsOf(
	{ samples, sampleRate }: PairSound,
	note: PairNote,
	others: readonly StiffString[],
	highest: number,
	isLast: boolean
) {
	let resolved = 0;
	const { string, strings } = note;
	const least = Math.max(PARTED.hz, (PARTED.turns * sampleRate) / samples.length);
	const found: OwnPartial[] = [];
	let expected = 0;
	for (let partial = 1; partial <= highest; partial++) {
		const about = partialHz(string, partial);
		if (about > Math.min(HIGHEST_HZ, HIGHEST_SHARE_OF_RATE * sampleRate)) break;
		const room = roomAbout(about, [string, ...others], [about]);
		if (room < least) continue;
		expected++;
		const envelope = partialEnvelope(samples, sampleRate, about, Math.min(room, WIDEST_HZ));
		if (!envelope) continue;
		const alone = fitDampedPartial(envelope);
		if (!alone || !(alone.decaySeconds > 0) || alone.left > (strings > 1 ? 0.8 : THERE.left)) continue;
		const tones =
			strings > 1 && isLast && resolved++ < RESOLVED ? resolveComponents(envelope, strings)?.components : undefined;
		const frequencies = (tones ?? []).map(({ frequency }) => frequency);
		const frequency = alone.frequency;
		if (Math.abs(1200 * Math.log2(frequency / about)) > FURTHEST) continue;
		found.push({
			partial,
			frequency,
			error: alone.error,
			amplitude: alone.amplitude,
			decaySeconds: alone.decaySeconds,
			spread: frequencies.length > 1 ? Math.max(...frequencies) - Math.min(...frequencies) : 0
		});
	}
	const loudest = Math.max(0, ...found.map(({ amplitude }) => amplitude));
	return { own: found.filter(({ amplitude }) => amplitude > THERE.share * loudest), expected };
}

/** The law that partials tell, where they tell one. */
export function lawOf(
	partials: readonly Pick<OwnPartial, 'partial' | 'frequency' | 'error'>[],
	thought: StiffString
): StiffString | undefined {
	const fit = fitString(partials, { value: thought.inharmonicity, doubt: DOUBT_OF_B });
	if (!fit) return undefined;
	return { flexiblePitch: fit.flexiblePitch, inharmonicity: fit.inharmonicity ?? thought.inharmonicity };
}

/** Cents from the law. */
export const fromLaw = (string: StiffString, partial: number, frequency: number) =>
	centsBetween(partialHz(string, partial), hz(frequency));

/**
 * What each of the notes that sound together is known by: looked for twice, since which partials stand alone follows from where
 * the notes stand. A note without partials of its own stays as it was thought to stand.
 */
export function knownNotes<Notes extends readonly PairNote[]>(
	sound: PairSound,
	notes: Notes
): { [Each in keyof Notes]: KnownNote } {
	const look = (at: readonly PairNote[], highest: number, isLast: boolean) =>
		at.map((note, i) => {
			const others = at.filter((_, other) => other !== i).map(({ string }) => string);
			return ownPartialsOf(sound, note, others, highest, isLast);
		});
	const first = look(notes, FIRST_PARTIALS, false);
	const now = notes.map((note, i) => ({ ...note, string: lawOf(first[i].own, note.string) ?? note.string }));
	return look(now, HIGHEST_PARTIAL, true).map(({ own, expected }, i) => known(now[i], own, expected)) as {
		[Each in keyof Notes]: KnownNote;
	};
}

function known({ string: thought, strings }: PairNote, own: readonly OwnPartial[], expected: number): KnownNote {
	const string = lawOf(own, thought) ?? thought;
	const off = own.map(({ partial, frequency }) => Math.abs(fromLaw(string, partial, frequency)));
	const misfit = off.length >= 4 ? Math.max(LEAST_MISFIT, MEDIAN_TO_SD * median(off)!) : USUAL_MISFIT;
	const spreads = own.flatMap(({ spread, frequency }) =>
		spread > 0 ? [1200 * Math.log2(1 + spread / frequency)] : []
	);
	return {
		string,
		strings,
		own,
		misfit,
		apart: Math.min(MOST_APART, median(spreads) ?? 0),
		present: own.length,
		expected
	};
}
