import { mean } from 'd3-array';
import { stringLoad, tensionRatio, type StringData } from '../strings/tension';
import { hz, type Hz } from '../units/quantity';
import type { PricedNote } from './pitchPrice';

/** What a pitch asks of the frame and of the strings. */
export interface PitchLoad {
	/** Change of the tension of all strings together, as a share of what it is now: the mean over strings that pull alike. */
	readonly change: number;
	/** The string nearest to breaking, of those whose wire and length are known. */
	readonly highest: { readonly note: number; readonly share: number } | undefined;
}

/**
 * @param notes as they were found, in cents from the pitch that `pitchOf` tells
 * @param shift cents that the pitch is shifted by
 * @param pitchOf where a note is wanted without the shift
 * @param wireOf a note's wire and length, where somebody has measured them
 */
export function pitchLoad(
	notes: readonly PricedNote[],
	shift: number,
	pitchOf: (note: number) => Hz,
	wireOf: (note: number) => StringData | undefined
): PitchLoad {
	const changes = notes.flatMap(({ strings }) => strings.map((each) => tensionRatio(shift - each) - 1));
	const shares = notes.flatMap(({ note }) => {
		const wire = wireOf(note);
		const share = wire && stringLoad(wire, hz(pitchOf(note) * 2 ** (shift / 1200))).breakingShare;
		return share === undefined ? [] : [{ note, share }];
	});
	return {
		change: mean(changes) ?? 0,
		highest: shares.reduce<PitchLoad['highest']>(
			(most, each) => (most && most.share >= each.share ? most : each),
			undefined
		)
	};
}
