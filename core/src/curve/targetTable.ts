import { beatOf } from '../intervals/beats';
import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import { stringFromFirstPartial, type StiffString } from '../strings/stiffString';
import { offsetsFromEqual, type Temperament } from '../temperament/temperament';
import { noteClass } from '../units/note';
import { equalHz, hzAbove } from '../units/pitch';
import { cents, type BeatsPerSecond, type Cents, type Hz } from '../units/quantity';

/** What one note is to be set to, and what the ear will hear from it upwards. */
export interface NoteTarget {
	readonly note: number;
	/** Pitch of the first partial. */
	readonly pitch: Hz;
	readonly fromEqual: Cents;
	readonly string: StiffString;
	/** Beats of the interval above this note; undefined where the compass ends. */
	readonly minorThird: BeatsPerSecond | undefined;
	readonly majorThird: BeatsPerSecond | undefined;
	readonly fourth: BeatsPerSecond | undefined;
	readonly fifth: BeatsPerSecond | undefined;
}

export interface TargetTableOptions {
	readonly lowest: number;
	readonly highest: number;
	readonly a4: Hz;
	readonly temperament: Pick<Temperament, 'tuning'>;
	/** The note class that stands at its equal-tempered pitch; A unless said otherwise. */
	readonly anchor?: number;
	/** The tuning curve: cents of the first partial from equal temperament; none unless given. */
	readonly stretchAt?: (note: number) => number;
	/** B by note; 0 gives ideal strings. */
	readonly inharmonicityAt: (note: number) => number;
}

/**
 * Targets of the whole compass, for first partials: equal temperament, the curve, and the temperament's offsets once.
 * @throws RangeError when the compass is empty or not made of whole notes
 */
export function targetTable(options: TargetTableOptions): readonly NoteTarget[] {
	const { lowest, highest, a4, temperament, inharmonicityAt, stretchAt = () => 0 } = options;
	if (!Number.isInteger(lowest) || !Number.isInteger(highest) || lowest > highest)
		throw new RangeError(`targetTable: the compass ${lowest} to ${highest} is not a range of notes`);
	const offsets = offsetsFromEqual(temperament, options.anchor);
	const fromEqualAt = (note: number) => cents(offsets[noteClass(note)] + stretchAt(note));
	const strings: StiffString[] = [];
	for (let note = lowest; note <= highest; note++)
		strings.push(stringFromFirstPartial(hzAbove(equalHz(note, a4), fromEqualAt(note)), inharmonicityAt(note)));
	const beatAbove = (index: number, kind: IntervalKind) => {
		const upper = strings[index + kind.semitones];
		return upper && beatOf(strings[index], upper, kind).rate;
	};
	return strings.map((string, index) => {
		const note = lowest + index;
		const fromEqual = fromEqualAt(note);
		return {
			note,
			pitch: hzAbove(equalHz(note, a4), fromEqual),
			fromEqual,
			string,
			minorThird: beatAbove(index, INTERVALS.minorThird),
			majorThird: beatAbove(index, INTERVALS.majorThird),
			fourth: beatAbove(index, INTERVALS.fourth),
			fifth: beatAbove(index, INTERVALS.fifth)
		};
	});
}
