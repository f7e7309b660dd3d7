import { PRIORITIES, summariseVisit, type GroupRecord, type NoteTarget, type StringKind } from '@fendrel/core';
import { BALANCED, curveAt, drawCurve, type CurveChoice, type KeptCurve } from '$lib/tuning/curve';
import { planFor, type PlanBasis } from '$lib/tuning/plan';
import type { Stretch } from '$lib/tuning/stretch';
import { stringsOfInstrument, type KnownString } from '$lib/tuning/strings';
import { runsOf } from '$lib/tuning/stretchWords';
import { onShortDay } from '$lib/ui/format';
import { isGivenUp, type WorkerClient } from '$lib/workers/client';
import type { CurveTasks } from '$lib/workers/curve';
import { isSameWish } from './draft';
import { closestWords } from './curveWords';

/** What the sheet is drawn from, as the page has it. */
export interface SheetData {
	readonly visit: { readonly a4: number; readonly stretch: Stretch };
	readonly instrument: { readonly kind: StringKind; readonly lowest: number; readonly highest: number };
	readonly temperament: PlanBasis['temperament'];
	readonly measured: readonly KnownString[];
	readonly groups: ReadonlyMap<number, GroupRecord>;
	/** The plan's curve, where it has one that was kept. */
	readonly curve: KeptCurve | undefined;
	/** Every kept curve of the instrument, the newest first. */
	readonly curves: readonly KeptCurve[];
	readonly lastCurveId: string | undefined;
	readonly standing: Standing;
}

/** Where notes stand, or were left: cents from equal temperament, that visit's temperament taken out. */
export interface Standing {
	readonly by: 'found' | 'left';
	readonly at: Date;
	readonly notes: readonly { readonly note: number; readonly cents: number }[];
}

/** A curve to compare with. */
export interface Beside {
	readonly id: string;
	readonly name: string;
	readonly deviations: readonly number[] | undefined;
}

/** Interval types that are looked at together. */
export const GROUPS = [
	{ name: 'Octaves', kinds: ['2:1', '4:2', '6:3', '8:4', '10:5'] },
	{ name: 'Wider', kinds: ['4:1', '8:1', '3:1', '6:2'] },
	{ name: 'Fifths, fourths', kinds: ['3:2', '6:4', '4:3'] },
	{ name: 'Thirds', kinds: ['5:4'] }
] as const;

/** Less than this, in cents, no string would be turned for. */
const SETTLED = 0.3;
const MOST_BESIDE = 12;
const FIRST_SELECTED = 60;

/** The state of the curve sheet: the curve wished for, what it does, and what it is compared with. */
export class Sheet {
	wish = $state.raw<CurveChoice>(BALANCED);
	selected = $state(FIRST_SELECTED);
	besideId = $state('none');
	group = $state.raw<(typeof GROUPS)[number]>(GROUPS[0]);
	errors = $state.raw<readonly number[]>([]);
	/** What the search for the curve that the instrument was tuned to said. */
	closest = $state<string | undefined>();
	failed = $state<string | undefined>();

	readonly basis = $derived.by(() => ({ ...this.data.instrument, measured: this.data.measured }));
	readonly strings = $derived(stringsOfInstrument(this.basis));
	readonly drawn: readonly number[] = $derived(drawCurve(this.basis, this.wish));
	/** How far strings read since it was taken would move the plan's curve; undefined for another wish. */
	readonly shift = $derived.by(() => {
		const { curve } = this.data;
		if (!curve || !isSameWish(curve.wish, this.wish)) return undefined;
		return Math.max(...this.drawn.map((each, i) => Math.abs(each - curveAt(curve, this.basis.lowest + i))));
	});
	readonly isTaken = $derived(this.shift !== undefined && this.shift < SETTLED);
	readonly held = $derived(Object.keys(this.wish.held).map(Number));
	/** Cents of the note that is selected. */
	readonly at = $derived(this.centsAt(this.selected));
	readonly runs = $derived(runsOf((note) => this.centsAt(note), this.basis, this.strings, this.data.visit.a4));
	readonly shown = $derived(
		this.runs.filter(({ kind: { name } }) => (this.group.kinds as readonly string[]).includes(name))
	);
	readonly besides: readonly Beside[] = $derived.by(() => this.listBesides());
	readonly beside = $derived(this.besides.find(({ id }) => id === this.besideId) ?? this.besides[0]);
	readonly plan = $derived(this.planOf(this.drawn));
	readonly summary = $derived(
		summariseVisit(
			this.data.groups,
			Array.from({ length: this.basis.highest - this.basis.lowest + 1 }, (_, i) => this.basis.lowest + i),
			(note) => this.plan.targetOf(note)?.pitch
		)
	);
	readonly stands = $derived.by(() => {
		const { by, at } = this.data.standing;
		return by === 'found' ? 'as it was found' : `as it was left ${onShortDay(at)}`;
	});
	/** Notes are read at any pitch: the picture shows them at the curve's own level, so many cents higher. */
	readonly standingShift = $derived.by(() => {
		const off = this.standing.map(({ note, cents: value }) => this.centsAt(note) - value).sort((a, b) => a - b);
		return off[Math.floor(off.length / 2)] ?? 0;
	});

	constructor(
		private readonly read: () => SheetData,
		draft: CurveChoice | undefined,
		private readonly worker: Pick<WorkerClient<CurveTasks>, 'run'>
	) {
		this.wish = draft ?? this.asPlanned();
		this.besideId = this.data.curve ? 'taken' : 'none';
		const { lowest, highest } = this.data.instrument;
		this.selected = Math.min(Math.max(FIRST_SELECTED, lowest), highest);
	}

	private get data(): SheetData {
		return this.read();
	}

	private centsAt(note: number): number {
		return curveAt({ lowest: this.basis.lowest, deviations: this.drawn }, note);
	}

	get standing() {
		const { lowest, highest } = this.data.instrument;
		return this.data.standing.notes.filter(({ note }) => note >= lowest && note <= highest);
	}

	/** The wish that the plan stands on now. */
	asPlanned(): CurveChoice {
		const { curve, visit } = this.data;
		if (curve) return curve.wish;
		return visit.stretch.by === 'priority' ? { ...BALANCED, lead: visit.stretch.lead } : BALANCED;
	}

	/** Keeps the selected note at so many cents, or lets it follow the others again. */
	hold(value: number | undefined): void {
		const { [this.selected]: _, ...others } = this.wish.held;
		const held = value === undefined ? others : { ...others, [this.selected]: Number(value.toFixed(2)) };
		this.wish = { ...this.wish, held };
	}

	releaseAll(): void {
		this.wish = { ...this.wish, held: {} };
	}

	/** Takes up the priority, blend and top that best explain how the instrument stands. */
	async takeAsItWas(): Promise<void> {
		const job = { basis: this.instrument, standing: this.standing };
		await this.work(async () => {
			const found = await this.worker.run('closest', job);
			this.closest = closestWords(found, this.stands);
			if (found) this.wish = found.wish;
		});
	}

	/** Draws the band anew; the old one stays until then. To be called within an effect; gives what ends it. */
	drawBand(): () => void {
		const stop = new AbortController();
		const job = { basis: this.instrument, wish: this.wish };
		void this.work(async () => {
			this.errors = await this.worker.run('band', job, { signal: stop.signal });
		});
		return () => stop.abort();
	}

	private async work(does: () => Promise<void>): Promise<void> {
		this.failed = undefined;
		try {
			await does();
		} catch (fault) {
			if (!isGivenUp(fault)) this.failed = `This could not be calculated: ${(fault as Error).message}`;
		}
	}

	/** As little as a worker needs of the instrument. */
	private get instrument() {
		const { kind, lowest, highest } = this.data.instrument;
		return { kind, lowest, highest, measured: this.data.measured };
	}

	/** Targets of the keyboard under some deviations, for the ear. */
	targetsOf(deviations: readonly number[]): (note: number) => NoteTarget | undefined {
		return this.planOf(deviations).targetOf;
	}

	private planOf(deviations: readonly number[]) {
		const { visit, temperament } = this.data;
		return planFor({ ...this.basis, a4: visit.a4, temperament, curve: { lowest: this.basis.lowest, deviations } });
	}

	private listBesides(): Beside[] {
		const { curve: taken, curves, lastCurveId } = this.data;
		const notes = this.drawn.map((_, i) => this.basis.lowest + i);
		return [
			{ id: 'none', name: 'nothing', deviations: undefined },
			...(taken ? [{ id: 'taken', name: 'the plan’s curve', deviations: taken.deviations }] : []),
			...curves
				.filter(({ id }) => id !== taken?.id)
				.slice(0, MOST_BESIDE)
				.map((curve) => ({
					id: curve.id,
					name: `${curve.id === lastCurveId ? 'last visit’s' : 'curve of'} ${onShortDay(curve.madeAt)}`,
					deviations: notes.map((note) => curveAt(curve, note))
				})),
			{ id: 'flat', name: 'no stretch', deviations: notes.map(() => 0) },
			...PRIORITIES.map(({ id, name }) => ({
				id,
				name,
				deviations: drawCurve(this.basis, { ...BALANCED, lead: id })
			}))
		];
	}
}
