import {
	cents,
	centsBetween,
	habitAt,
	levelOf,
	partialHz,
	stepInCents,
	type Cents,
	type GroupTarget,
	type Hz,
	type ListeningHabits,
	type ReadStrike,
	type StringReading
} from '@fendrel/core';

/** A partial that is followed by itself. */
export interface Listened {
	readonly partial: number;
	readonly frequency: Hz;
}

/** Cents from target where it is listened to: at the register's partial, or at the first from all of them. */
export function fromTarget({ pitch: target, string }: GroupTarget, pitch: Hz, listened: Listened | undefined): Cents {
	return listened ? centsBetween(partialHz(string, listened.partial), listened.frequency) : centsBetween(target, pitch);
}

/** What a strike was read as, against a target: its figure where it is listened to, what that errs by, how loud it was. */
export function strikeRead(
	reading: StringReading,
	target: GroupTarget,
	habits: ListeningHabits
): ReadStrike & { readonly listened: Listened | undefined } {
	const { note, partials, pitch, pitchError } = reading;
	const { partial } = habitAt(habits, note);
	const listened = partials.find((each) => each.partial === partial);
	const error = listened ? Math.max(pitchError, stepInCents(listened.error, listened.frequency)) : pitchError;
	return {
		off: fromTarget(target, pitch, listened),
		error: cents(error),
		level: levelOf(reading),
		listened
	};
}
