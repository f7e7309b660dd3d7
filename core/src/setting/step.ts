import type { IntervalKind } from '../intervals/intervalKinds';

/** Parts of the work, in the order in which they may come. */
export type WorkSection = 'reference' | 'temperament' | 'upwards' | 'downwards' | 'unisons' | 'raise' | 'touch';

/** A note that is set already, and the interval in which another is heard against it. */
export interface HeardAgainst {
	readonly against: number;
	readonly interval: IntervalKind;
}

/** One note to set, and the note it is proved against by ear. */
export interface SettingStep {
	readonly note: number;
	/** Already set when its turn comes; undefined for the first note, which comes from the reference pitch. */
	readonly against: number | undefined;
	readonly interval: IntervalKind | undefined;
	readonly section: WorkSection;
	/** Intervals that must agree with the first: where one alone misleads. */
	readonly also?: readonly HeardAgainst[];
	/** The note stands already: its other strings are brought to the one that leads. */
	readonly unison?: true;
	/** Only this register's string is brought to it. */
	readonly register?: string;
}
