import { A4, notesAround, sample, surveyNotes, type NoteRun, type SampleId } from '@fendrel/core';

/** What is surveyed: every key once with all its strings, or one note and its neighbours; single strings of a sample, every so-manieth note, or one's own. */
export type SurveyOf = 'walk' | 'around' | SampleId | number | 'own';
/** What a curve and a plan need, in about thirty strikes. */
const USUAL: SurveyOf = 'sampled';
/** From C7 up notes follow the others on a good scale. */
const TOP_TWO = 24;

export interface SurveyGround {
	readonly groups: readonly number[];
	/** The lowest plain string above wound ones, where B jumps. */
	readonly breakNote: number | undefined;
	/** Notes worth reading: odd strings, and where earlier visits jumped. */
	readonly odd: readonly number[];
}

/** Which notes a survey reads, as somebody wants it. */
export class SurveyChoice {
	of = $state<SurveyOf>(USUAL);
	/** F3 to F4 need not be whole. */
	declined = $state(false);
	/** The top two octaves are taken from the others. */
	topLeftOut = $state(false);
	own = $state.raw<readonly NoteRun[]>([]);
	/** The note that stands out. */
	around = $state(A4 as number);
	/** Single notes that are left to their neighbours. */
	private passed = $state.raw<ReadonlySet<number>>(new Set());

	constructor(private readonly ground: SurveyGround) {}

	private readonly wanted = $derived.by(() => {
		const { groups, breakNote, odd } = this.ground;
		const [lowest, highest] = [groups[0], groups[groups.length - 1]];
		if (this.of === 'walk') return groups;
		if (this.of === 'around') return notesAround(this.around, groups);
		if (this.of === 'own') {
			return groups.filter((note) => this.own.some(([a, b]) => note >= Math.min(a, b) && note <= Math.max(a, b)));
		}
		return typeof this.of === 'number'
			? surveyNotes(lowest, highest, this.of, breakNote)
			: sample(this.of, { lowest, highest, breakNote, odd, declined: this.declined });
	});
	/** All strings of a note are struck together. */
	readonly isOpen = $derived.by(() => this.of === 'walk' || this.of === 'around');
	/** Notes that are wanted and left to the others. */
	readonly skipped = $derived.by(() => {
		const { groups } = this.ground;
		const top = this.topLeftOut ? groups[groups.length - 1] - TOP_TWO : Infinity;
		return this.wanted.filter((note) => note > top || this.passed.has(note));
	});
	/** Notes that are read, from the lowest up. */
	readonly notes = $derived.by(() => {
		const out = new Set(this.skipped);
		const left = this.wanted.filter((note) => !out.has(note));
		return left.length ? left : this.wanted.slice(0, 1);
	});

	/** Leaves a note to its neighbours. */
	skip(note: number): void {
		this.passed = new Set([...this.passed, note]);
	}

	/** Somebody wants to read it all the same. */
	unskip(note: number): void {
		this.passed = new Set([...this.passed].filter((each) => each !== note));
	}
}
