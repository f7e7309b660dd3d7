/**
 * A tuning pin and its string, both as pitch in cents from a common zero. `pin` is where the string
 * would come to rest if nothing held it; `speaking` is where its speaking length stands now.
 * Friction at the bearing lets the two differ until a strike evens part of it out.
 */
export interface PinnedString {
	readonly pin: number;
	readonly speaking: number;
}

export interface PinFeel {
	/** Cents that the pin can move before the speaking length follows. */
	readonly friction: number;
	/** Share of the difference that one full strike evens out, 0 to 1. */
	readonly settling: number;
}

const DEFAULT_FEEL: PinFeel = { friction: 1.2, settling: 0.5 };

/** Turns the pin by so many cents (positive raises). */
export function turnPin(string: PinnedString, by: number, feel: PinFeel = DEFAULT_FEEL): PinnedString {
	const pin = string.pin + by;
	return { pin, speaking: Math.min(Math.max(string.speaking, pin - feel.friction), pin + feel.friction) };
}

/** A strike of the given strength (0 to 1) lets the string slide towards its pin. */
export function strikePinned(string: PinnedString, strength: number, feel: PinFeel = DEFAULT_FEEL): PinnedString {
	const share = feel.settling * strength;
	return { pin: string.pin, speaking: string.speaking + share * (string.pin - string.speaking) };
}
