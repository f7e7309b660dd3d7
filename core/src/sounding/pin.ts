/**
 * A tuning pin and its string, both as pitch in cents from a common zero. `pin` is where the string
 * would come to rest if nothing held it; `speaking` is where its speaking length stands now.
 * Friction at the bearing lets the two differ until a strike evens part of it out.
 */
export interface PinnedString {
	readonly pin: number;
	readonly speaking: number;
	/** What it has yet to lose by creep, quickly and slowly, and when that was so (milliseconds since 1970). */
	readonly creep?: { readonly quick: number; readonly slow: number; readonly at: number };
	/** It was let down until it came free of the rust at its bearing. */
	readonly freed?: boolean;
	readonly broken?: boolean;
}

export interface PinFeel {
	/** Cents that the pin can move before the speaking length follows. */
	readonly friction: number;
	/** Share of the difference that one full strike evens out, 0 to 1. */
	readonly settling: number;
	/** Shares of its move that the string loses by creep, quickly and slowly; none unless given. */
	readonly creep?: readonly [quick: number, slow: number];
}

const DEFAULT_FEEL: PinFeel = { friction: 1.2, settling: 0.5 };

/** Seconds in which what creeps quickly, and slowly, is down to a third. */
const CREEP_SECONDS = { quick: 20, slow: 200 } as const;

/**
 * Turns the pin by so many cents (positive raises).
 * @param now milliseconds since 1970
 */
export function turnPin(string: PinnedString, by: number, feel: PinFeel = DEFAULT_FEEL, now = 0): PinnedString {
	const before = crept(string, now);
	const pin = before.pin + by;
	const turned = {
		...before,
		...{ pin, speaking: Math.min(Math.max(before.speaking, pin - feel.friction), pin + feel.friction) }
	};
	if (!feel.creep) return turned;
	const [quick, slow] = feel.creep;
	const due = before.creep ?? { quick: 0, slow: 0 };
	return { ...turned, creep: { quick: due.quick + quick * by, slow: due.slow + slow * by, at: now } };
}

/** A strike of the given strength (0 to 1) lets the string slide towards its pin. */
export function strikePinned(string: PinnedString, strength: number, feel: PinFeel = DEFAULT_FEEL): PinnedString {
	const share = feel.settling * strength;
	return { ...string, speaking: string.speaking + share * (string.pin - string.speaking) };
}

/** The string as it stands later, when what creeps has crept. */
export function crept(string: PinnedString, now: number): PinnedString {
	if (!string.creep) return string;
	const seconds = Math.max(0, now - string.creep.at) / 1000;
	const left = (of: number, within: number) => of * Math.exp(-seconds / within);
	const quick = left(string.creep.quick, CREEP_SECONDS.quick);
	const slow = left(string.creep.slow, CREEP_SECONDS.slow);
	const lost = string.creep.quick + string.creep.slow - quick - slow;
	return { ...string, pin: string.pin - lost, speaking: string.speaking - lost, creep: { quick, slow, at: now } };
}
