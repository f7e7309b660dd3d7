import { memberOf, type SettingStep, type SounderChoice, type SounderId, type UnisonAnalysis } from '@fendrel/core';
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

const registerOf = (sounder: SounderId) => memberOf(sounder).replace(/-.*$/, '');
/** Whether a string is one of a register's. */
const isOf = (sounder: SounderId, register: string) => registerOf(sounder) === register;

/** The unisons of an instrument: which strings have been brought together, and which come next. */
export class UnisonWork<Body> {
	constructor(private readonly strings: StringsInHand<Body>) {}

	private sounders(group: number): readonly SounderId[] {
		return this.strings.family.sounders(this.strings.body, group);
	}

	/** Choices that a step is about: all of a note's, or those of one register and of the ones that it is brought to. */
	private of(step: SettingStep, choices: readonly SounderChoice[]): readonly SounderChoice[] {
		const { register } = step;
		if (register === undefined) return choices;
		const [lead] = choices[0].sounders;
		return choices.filter(
			({ sounders }) =>
				sounders.some((each) => isOf(each, register)) &&
				sounders.every((each) => isOf(each, register) || isOf(each, registerOf(lead)))
		);
	}

	/** All its strings were taken together; of a register that sounds an octave above, its own. */
	isDone(step: SettingStep): boolean {
		const { sounders } = this.strings.record.report;
		const of = this.of(step, this.strings.family.choices(this.strings.body, step.note));
		const leftAt = (sounder: SounderId) => sounders.get(sounder)?.left?.id;
		const last = of[of.length - 1]?.sounders ?? [];
		const taken = last.map(leftAt);
		return taken[0] !== undefined && taken.every((id) => id === taken[0]);
	}

	/** It waits for the end, or one of its strings does. */
	isLater(group: number): boolean {
		const later = this.strings.record.report.marks.get('later');
		return this.sounders(group).some((sounder) => later?.has(sounder));
	}

	/** The next string of a group that nobody has set; all of them when each has been. */
	nextChoice(step: SettingStep, choices: readonly SounderChoice[]): SounderChoice {
		const of = this.of(step, choices);
		const { sounders } = this.strings.record.report;
		const isUnset = ({ sounders: [only], sounders: all }: SounderChoice) =>
			all.length === 1 && sounders.get(only)?.left === undefined;
		return of.find(isUnset) ?? of[of.length - 1];
	}

	/** Leaves it for the end. */
	later(group: number): void {
		this.strings.record.act({ do: 'mark', sounders: this.sounders(group), as: 'later', on: true });
	}

	judge(group: number, { spread, unresolved }: UnisonAnalysis): UnisonVerdict {
		const limit = this.strings.unisonLimit(group);
		return { apart: spread?.cents ?? 0, limit, isUnsure: spread === undefined && unresolved > limit };
	}
}

/** They may be taken as they are. */
export const isTogether = ({ apart, limit, isUnsure }: UnisonVerdict) => !isUnsure && apart <= limit;
