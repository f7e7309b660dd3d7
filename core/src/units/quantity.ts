/**
 * Physical quantities as types of their own, so that cents cannot be passed where Hz are meant.
 * A quantity is a plain number at run time; `hz`, `cents` and `beatsPerSecond` check and name it.
 */
declare const unit: unique symbol;
type Quantity<Name extends string> = number & { readonly [unit]: Name };

/** A frequency in hertz, greater than 0. */
export type Hz = Quantity<'Hz'>;
/** A pitch difference in cents: 1200 to the octave. */
export type Cents = Quantity<'cents'>;
/** A beat rate per second, signed: positive is wide of pure, negative is narrow. */
export type BeatsPerSecond = Quantity<'beats per second'>;

/** Names a number as hertz. @throws RangeError unless it is finite and above 0. */
export function hz(value: number): Hz {
	if (!(value > 0 && value < Infinity)) throw new RangeError(`hz: ${value} is not a frequency above 0`);
	return value as Hz;
}

/** Names a number as cents. @throws RangeError unless it is finite. */
export function cents(value: number): Cents {
	if (!Number.isFinite(value)) throw new RangeError(`cents: ${value} is not finite`);
	return value as Cents;
}

/** Names a number as beats per second. @throws RangeError unless it is finite. */
export function beatsPerSecond(value: number): BeatsPerSecond {
	if (!Number.isFinite(value)) throw new RangeError(`beatsPerSecond: ${value} is not finite`);
	return value as BeatsPerSecond;
}
