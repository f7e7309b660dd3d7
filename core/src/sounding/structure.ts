import { createRandom } from '../numeric/random';
import type { InstrumentTwin } from './simulatedInstrument';

/*
 * The body of an invented instrument: strings pull on it over two bridges, it yields, and wire creeps and breaks. Its form is
 * its own, not the one by which a raise is planned: what is planned must hold on pianos that nobody has written down.
 */

/** Strings that were moved, and by how many cents since the instrument was found; by note. */
export type Moved = ReadonlyMap<number, readonly number[]>;

export interface Structure {
	/** Cents that the strings of a note stand lower because of what was moved. */
	readonly sag: (note: number, moved: Moved) => number;
	/** Shares of its move that a string loses by creep, quickly and slowly. */
	readonly creep: (note: number) => readonly [quick: number, slow: number];
	/** Cents that a pin can move before its speaking length follows. */
	readonly friction: (note: number) => number;
	/** Cents above equal at 440 at which a string breaks; lower where rust holds it and it was not let down first. */
	readonly breaksAt: (note: number, string: number, isFree: boolean) => number;
}

type Shape = Pick<InstrumentTwin, 'seed' | 'lowest' | 'highest' | 'breakNote' | 'rust'>;

/** Cents of sag for each cent that one string is raised: at the same place of its bridge, anywhere on it, and across. */
const YIELD = { near: 0.0026, reach: 4, along: 0.00038, across: 0.00017 } as const;
/** The shortest strings answer most: their sensitivity at both ends of the keyboard. */
const ANSWERS = { lowest: 0.45, highest: 1.2 } as const;
const CREEPS = { least: 0.015, most: 0.19, bend: 1.4, quickly: 0.45 } as const;
/** Instruments differ by so much, and their notes: standard deviations of logarithms. */
const DIFFER = { instruments: 0.2, notes: 0.1 } as const;
const FRICTION = { usual: 1.2, scatter: 0.25 } as const;

/**
 * Strengths of one kind of wire follow the distribution of the weakest link (Weibull 1951, "A statistical distribution
 * function of wide applicability", eq. 6); its shape for drawn music wire is about 30 (4 % scatter).
 */
const WEIBULL_SHAPE = 30;
/** Load at pitch as a share of the strength that such wire is sold by, from the bass upwards; new wire bears some more. */
const LOADED = { lowest: 0.5, highest: 0.64, bears: 1.12 } as const;
/** A rusted string has lost up to so much of its strength; held by rust at its bearing it is strained so much more. */
const RUST = { loses: 0.5, holds: 1.35 } as const;

export function structureOf(twin: Shape): Structure {
	const { seed, lowest, highest, breakNote, rust } = twin;
	const random = createRandom(seed * 53 + 7);
	const factor = (sd: number) => Math.exp(sd * random.normal());
	const [near, along, across, creeps] = [1, 2, 3, 4].map(() => factor(DIFFER.instruments));
	const reach = YIELD.reach * factor(DIFFER.instruments);
	const place = (note: number) => Math.min(Math.max((note - lowest) / (highest - lowest), 0), 1);
	const own = (note: number) => Math.exp(DIFFER.notes * createRandom(seed * 61 + note).normal());
	const onBass = (note: number) => note < breakNote;
	const between = (low: number, high: number, at: number) => low + (high - low) * at;
	return {
		sag: (note, moved) => {
			let sum = 0;
			for (const [other, moves] of moved) {
				const raised = moves.reduce((total, each) => total + each, 0);
				if (other === note || raised === 0) continue;
				const away = (note - other) / reach;
				sum +=
					raised *
					(onBass(note) === onBass(other)
						? (YIELD.near * near) / (1 + away * away) + YIELD.along * along
						: YIELD.across * across);
			}
			// Mates of one note stand side by side.
			const mates = moved.get(note) ?? [];
			const ofMates = mates.length > 1 ? (mates.reduce((a, b) => a + b, 0) * (mates.length - 1)) / mates.length : 0;
			sum += ofMates * (YIELD.near * near + YIELD.along * along);
			return sum * own(note) * between(ANSWERS.lowest, ANSWERS.highest, place(note));
		},
		creep: (note) => {
			const share = creeps * between(CREEPS.least, CREEPS.most, place(note) ** CREEPS.bend);
			return [CREEPS.quickly * share, (1 - CREEPS.quickly) * share];
		},
		friction: (note) =>
			FRICTION.usual * Math.exp(FRICTION.scatter * createRandom(seed * 67 + Math.floor(note / 12)).normal()),
		breaksAt: (note, string, isFree) => {
			const draw = createRandom(seed * 71 + 3 * note + string);
			const strength = LOADED.bears * (-Math.log(1 - draw.uniform())) ** (1 / WEIBULL_SHAPE);
			const rusted = rust && note >= rust.from ? rust.share : 0;
			const left = strength * (1 - RUST.loses * rusted * draw.uniform());
			const strained = rusted > 0 && !isFree ? 1 + (RUST.holds - 1) * rusted : 1;
			const load = between(LOADED.lowest, LOADED.highest, place(note));
			// Tension goes with the square of the pitch.
			return 600 * Math.log2(left / (load * strained));
		}
	};
}
