import { priorityById } from '../curve/priorities';
import { tuningCurve } from '../curve/tuningCurve';
import { createRandom } from '../numeric/random';
import { typicalInharmonicity, type StringKind } from '../strings/inharmonicity';
import { partialSharpness, stringFromFirstPartial, type StiffString } from '../strings/stiffString';
import { A4, equalHz, hzAbove } from '../units/pitch';
import { cents, hz } from '../units/quantity';
import type { PinnedString } from './pin';
import { USUAL_MOTION, type StringMotion } from './strike';

/** How an invented instrument is strung and how it stands; everything else follows from the seed. */
export interface InstrumentTwin {
	readonly seed: number;
	readonly kind: StringKind;
	readonly lowest: number;
	readonly highest: number;
	/** Lowest plain-wire note: below it the strings are wound. */
	readonly breakNote: number;
	/** Factor on the kind's typical inharmonicity: below 1 for long scales. */
	readonly stiffness: number;
	/** Further factors for strings that do not belong, by note. */
	readonly oddStrings?: Readonly<Record<number, number>>;
	/** Curve that it was once tuned by: cents from equal temperament, from the lowest note upwards; none unless given. */
	readonly standing?: readonly number[];
	/** Mean deviation from that at A4 = 440 Hz, in cents, by section. */
	readonly found: { readonly bass: number; readonly tenor: number; readonly middle: number; readonly treble: number };
	/** Scatter from note to note, and between the strings of a note, in cents (standard deviations). */
	readonly scatter: number;
	readonly unisonScatter: number;
	/** Rust at the bearings from a note upwards: 0 none, 1 as bad as strings still bear. */
	readonly rust?: { readonly from: number; readonly share: number };
}

/** Cents here are counted from equal temperament at this A4, whatever the visit's pitch is. */
export const TWIN_A4 = hz(440);

/** How many strings it invents for a note, when nobody says how many there are. */
export function stringsOf(twin: Pick<InstrumentTwin, 'kind' | 'lowest' | 'breakNote'>, note: number): number {
	if (twin.kind === 'harpsichord') return 1;
	if (twin.kind === 'fortepiano') return 2;
	if (note >= twin.breakNote) return 3;
	return note < twin.lowest + 10 ? 1 : 2;
}

/** Inharmonicity of the twin's strings, with the small irregularities of a real scale. */
export function twinInharmonicity(
	twin: Pick<InstrumentTwin, 'seed' | 'kind' | 'stiffness' | 'oddStrings'>,
	note: number
): number {
	const irregular = 0.02 * createRandom(twin.seed * 131 + note).normal();
	const odd = twin.oddStrings?.[note] ?? 1;
	return odd * twin.stiffness * typicalInharmonicity(twin.kind, note) * Math.exp(irregular);
}

/** A smooth path through the sections' means: bass, tenor, middle, treble at a quarter of the compass each. */
function sectionMean({ found, lowest, highest }: InstrumentTwin, note: number): number {
	const levels = [found.bass, found.tenor, found.middle, found.treble];
	const place = Math.min(Math.max((4 * (note - lowest)) / (highest - lowest + 1) - 0.5, 0), 3);
	const below = Math.min(Math.floor(place), 2);
	return levels[below] + (place - below) * (levels[below + 1] - levels[below]);
}

function standingAt({ standing, lowest }: Pick<InstrumentTwin, 'standing' | 'lowest'>, note: number): number {
	return standing?.[note - lowest] ?? 0;
}

/**
 * Where the strings of a note stand before anybody touches them, in cents from equal at 440.
 * @param count as many as the instrument that it stands for has
 */
export function foundStrings(twin: InstrumentTwin, note: number, count = stringsOf(twin, note)): readonly number[] {
	const random = createRandom(twin.seed * 977 + note);
	const middle = sectionMean(twin, note) + standingAt(twin, note) + twin.scatter * random.normal();
	// The middle string of three leads; the outer ones stand about it.
	return Array.from({ length: count }, (_, string) =>
		string === 0 ? middle : middle + twin.unisonScatter * random.normal()
	);
}

export function foundPins(twin: InstrumentTwin, note: number, count?: number): readonly PinnedString[] {
	return foundStrings(twin, note, count).map((pitch) => ({ pin: pitch, speaking: pitch }));
}

/** The stiff string that sounds when a string of that note stands at `pitch` cents. */
export function twinString(twin: InstrumentTwin, note: number, pitch: number): StiffString {
	return stringFromFirstPartial(hzAbove(equalHz(note, TWIN_A4), cents(pitch)), twinInharmonicity(twin, note));
}

/** Pianos stand on a curve of their own strings, as whoever tuned them last left them. */
function standingOf(
	twin: Pick<InstrumentTwin, 'seed' | 'kind' | 'lowest' | 'highest' | 'stiffness'>
): readonly number[] {
	const { deviations } = tuningCurve({
		lowest: twin.lowest,
		highest: twin.highest,
		priority: priorityById('balanced'),
		sharpnessAt: (note, partial) => partialSharpness(twinInharmonicity(twin, note), partial)
	});
	return deviations.map((value) => Math.round(100 * value) / 100);
}

/** A twin for an instrument nobody has measured: somewhat flat and uneven, as most are found. */
export function defaultTwin(
	kind: StringKind,
	lowest: number,
	highest: number,
	seed: number,
	a4: number
): InstrumentTwin {
	const random = createRandom(seed);
	const level = 1200 * Math.log2(a4 / TWIN_A4) - 6 + 4 * random.normal();
	const strung = { seed, kind, lowest, highest, breakNote: Math.max(lowest, A4 - 25) };
	const stiffness = Math.exp(0.15 * random.normal());
	return {
		...strung,
		stiffness,
		standing: kind === 'grand' || kind === 'upright' ? standingOf({ ...strung, stiffness }) : undefined,
		found: {
			bass: level + 2.5,
			tenor: level + random.normal(),
			middle: level,
			treble: level - 2 + 2 * random.normal()
		},
		scatter: 1.6,
		unisonScatter: 0.9
	};
}

/** One plain treble string in so many beats by itself. */
const FALSE_BEAT_SHARE = 0.12;
const FALSE_BEATS_FROM = 60;

/** How one string of a note moves: most as strings do, some of the plain ones with a false beat of their own. */
export function twinMotion({ seed }: Pick<InstrumentTwin, 'seed'>, note: number, string: number): StringMotion {
	const random = createRandom(seed * 389 + 3 * note + string);
	const isFalse = note >= FALSE_BEATS_FROM && random.uniform() < FALSE_BEAT_SHARE;
	if (!isFalse) return USUAL_MOTION;
	return { ...USUAL_MOTION, sideways: { share: 0.15 + 0.2 * random.uniform(), cents: 1 + 2.5 * random.uniform() } };
}
