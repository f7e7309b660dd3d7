import type { SettingStep } from '@fendrel/core';
import { stepsOf, type SettingOptions } from './settingOptions';
import type { UnisonWork } from './unisonWork';

/** The order of work: which step is due, which are done, and which comes next. */
export class WorkOrder<Body> {
	readonly steps: readonly SettingStep[];
	index = $state(0);
	readonly step = $derived.by(() => this.steps[this.index]);

	/** @param isSet whether a group has been set */
	constructor(
		private readonly options: SettingOptions<Body>,
		private readonly unisons: UnisonWork<Body>,
		private readonly isSet: (group: number) => boolean
	) {
		this.steps = stepsOf(options);
	}

	isDone(step: SettingStep): boolean {
		return step.unison ? this.unisons.isDone(step) : this.isSet(step.note);
	}

	/** A note's first step that is not done, else its first; below 0 where it has none. */
	indexOf(note: number | null | undefined): number {
		const due = this.steps.findIndex((step) => step.note === note && !this.isDone(step));
		return due >= 0 ? due : this.steps.findIndex((step) => step.note === note);
	}

	/** The first step that is not done; what waits for the end comes at the end; below 0 when all are. */
	get firstDue(): number {
		const due = this.steps.findIndex((step) => !this.isDone(step) && !(step.unison && this.unisons.isLater(step.note)));
		return due >= 0 ? due : this.steps.findIndex((step) => !this.isDone(step));
	}

	/** What comes after the step that is due; below 0 where nothing does. */
	get following(): number {
		if (this.index < this.steps.length - 1) return this.index + 1;
		// A raise comes back to what it has passed over, and so do unisons.
		return this.options.raise || this.steps.some(({ unison }) => unison) ? this.firstDue : -1;
	}

	/** A note's unison follows in this order: its leading string comes first, whatever was open before. */
	isLed({ note }: SettingStep): boolean {
		return this.steps.some((step) => step.unison && step.note === note);
	}
}
