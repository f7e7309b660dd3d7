import { crept, type PinFeel, type PinnedString } from './pin';
import { foundPins, type InstrumentTwin } from './simulatedInstrument';
import { structureOf, type Structure } from './structure';

/** Strings of an invented instrument that the lever has moved, by note. */
export type MovedPins = Record<string, PinnedString[]>;

/** A broken string pulls no longer: as if it were let down by so many cents. */
const SLACK = 1200;
/** How a strike evens out what friction holds. */
const SETTLING = 0.5;

/** Where the strings of an invented instrument stand once some of them have been moved. */
export class MovedStrings {
	readonly body: Structure;

	/** @param countOf how many strings a note has */
	constructor(
		private readonly twin: InstrumentTwin,
		private readonly countOf: (note: number) => number
	) {
		this.body = structureOf(twin);
	}

	/**
	 * The pins of a note, as its strings have crept until now. A note that was given more strings since it was moved has those as
	 * they were invented.
	 * @param now milliseconds since 1970
	 */
	pins(note: number, moved: MovedPins, now: number): readonly PinnedString[] {
		const count = this.countOf(note);
		const known = (moved[note] ?? []).map((string) => crept(string, now));
		return known.length >= count
			? known.slice(0, count)
			: [...known, ...foundPins(this.twin, note, count).slice(known.length)];
	}

	/** Cents from equal at 440 of each of a note's strings: with what all others have made the instrument yield. */
	standing(note: number, moved: MovedPins, now: number): readonly number[] {
		const sag = this.body.sag(note, this.moves(moved, now));
		return this.pins(note, moved, now).map(({ speaking }) => speaking - sag);
	}

	feel(note: number): PinFeel {
		return { friction: this.body.friction(note), settling: SETTLING, creep: this.body.creep(note) };
	}

	/** How far strings have been moved since the instrument was found. */
	private moves(moved: MovedPins, now: number): ReadonlyMap<number, readonly number[]> {
		return new Map(
			Object.keys(moved).map((group) => {
				const note = Number(group);
				const found = foundPins(this.twin, note, this.countOf(note));
				return [note, this.pins(note, moved, now).map(({ pin, broken }, i) => (broken ? -SLACK : pin - found[i].pin))];
			})
		);
	}
}
