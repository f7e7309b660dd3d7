import type { SounderChoice, SounderId, UnisonAnalysis } from '@fendrel/core';
import type { StringsInHand } from './settingOptions';

/** What a strike of several strings says of a unison that is being made. */
export interface UnisonVerdict {
	/** Cents from the lowest string to the highest; 0 where one tone was heard. */
	readonly apart: number;
	/** How far they may lie apart there. */
	readonly limit: number;
	/** The strike was too short, or too soft, to tell. */
	readonly isUnsure: boolean;
}

/** The unisons of an instrument: which strings have been brought together, and which come next. */
export class UnisonWork<Body> {
	constructor(private readonly of: StringsInHand<Body>) {}

	private sounders(group: number): readonly SounderId[] {
		return this.of.family.sounders(this.of.body, group);
	}

	/** All its strings were taken together. */
	isDone(group: number): boolean {
		const { sounders } = this.of.record.report;
		const taken = this.sounders(group).map((sounder) => sounders.get(sounder)?.left?.id);
		return taken[0] !== undefined && taken.every((id) => id === taken[0]);
	}

	/** It waits for the end, or one of its strings does. */
	isLater(group: number): boolean {
		const later = this.of.record.report.marks.get('later');
		return this.sounders(group).some((sounder) => later?.has(sounder));
	}

	/** The next string of a group that nobody has set; all of them when each has been. */
	nextChoice(choices: readonly SounderChoice[]): SounderChoice {
		const { sounders } = this.of.record.report;
		const isUnset = ({ sounders: [only], sounders: all }: SounderChoice) =>
			all.length === 1 && sounders.get(only)?.left === undefined;
		return choices.find(isUnset) ?? choices[choices.length - 1];
	}

	/** Leaves it for the end. */
	later(group: number): void {
		this.of.record.act({ do: 'mark', sounders: this.sounders(group), as: 'later', on: true });
	}

	judge(group: number, { spread, unresolved }: UnisonAnalysis): UnisonVerdict {
		const limit = this.of.unisonLimit(group);
		return { apart: spread?.cents ?? 0, limit, isUnsure: spread === undefined && unresolved > limit };
	}
}

/** They may be taken as they are. */
export const isTogether = ({ apart, limit, isUnsure }: UnisonVerdict) => !isUnsure && apart <= limit;
