import {
	summariseVisit,
	type Family,
	type Hz,
	type ListeningHabits,
	type MovedPins,
	type PlanVersion
} from '@fendrel/core';
import { connection } from '$lib/device/connection.svelte';
import {
	withTimes,
	type BookInstrument,
	type InstrumentBook,
	type VisitBook,
	type VisitBundle,
	type VisitChanges
} from '$lib/device/books';
import { goesOnIn, keepVisit, remember, remembered, type HeldVisit } from '$lib/device/shelf';
import { handOver } from '$lib/handover/handOver.svelte';
import type { KeptCurve } from '$lib/tuning/curve';
import { mergeMoved, type MovedAt } from './mergeMoved';
import { visitOf } from './ground';
import { VisitRecord, type PlanChanges } from './visitRecord.svelte';

/** How often others' changes are asked for while a visit is open, and how seldom when nobody answers. */
const ASK_MS = 2000;
const LONGEST_PAUSE = 15_000;

/**
 * A visit that is open on this device: its book, what has happened since, and what others do in it meanwhile. It opens from
 * the device where that holds it; the server is asked for the rest whenever it answers.
 */
export abstract class OpenVisit<Instrument extends BookInstrument = BookInstrument> {
	readonly record: VisitRecord;
	about: InstrumentBook<Instrument> = $state.raw() as InstrumentBook<Instrument>;
	/** Rises when somebody else has changed what pages were made from: they are made anew. */
	edition = $state(0);
	/** Another visit that this one turned out to go on in. */
	continued = $state<string | undefined>();
	/** Whether the device had room for the book. */
	kept = $state(true);
	/** Strings that the simulated instrument's lever has moved. */
	moved: MovedPins;
	/** When this window moved which of them. */
	private movedHere: MovedAt = {};

	private book: VisitBook;
	private seq: number;
	private timer: ReturnType<typeof setTimeout> | undefined;
	private pause = ASK_MS;
	private stopped: AbortController | undefined;
	private asking: Promise<void> | undefined;

	constructor(
		{ visit, about, happened }: HeldVisit<Instrument>,
		private stale: boolean
	) {
		this.book = visit;
		this.about = about;
		this.seq = visit.seq;
		this.moved = { ...visit.moved };
		this.record = new VisitRecord(visit.id, visit.events, handOver);
		this.takeRemembered(happened);
	}

	readonly instrument: Instrument = $derived.by(() => this.about.instrument);
	/** The instrument as its family works on it. */
	abstract readonly family: Pick<Family<unknown>, 'id' | 'name' | 'group' | 'groupName'>;
	/** Its groups, in the order in which people see them. */
	abstract readonly compass: readonly number[];
	/** How it is tuned, as a visit's pages say it beside the pitch. */
	abstract readonly tunedTo: string;
	/** What a group is to be set to now. */
	abstract targetOf(group: number): Hz | undefined;
	/** What pages are made from besides the plan: only when that has changed are they made anew. */
	protected abstract madeFrom(): unknown;
	protected readonly planned: PlanVersion = $derived.by(() => this.record.report.plan!);
	/** The visit as it stands. */
	readonly visit = $derived.by(() => visitOf(this.record.report, { ...this.book, id: this.record.visitId }));
	/** Whoever began it; unknown where it was begun on this device and nobody has told. */
	readonly who = $derived.by(() => this.book.who);
	/** What has been done so far, against the plan. */
	readonly summary = $derived.by(() =>
		summariseVisit(this.record.groups, this.compass, (group) => this.targetOf(group))
	);

	/** Plans anew; a curve that is taken is kept with its instrument. */
	replan(changes: PlanChanges, curve?: KeptCurve): void {
		if (curve) this.about = { ...this.about, curves: [curve, ...this.about.curves] };
		this.record.replan(changes, curve);
		if (curve) void this.keep();
	}

	/** Other habits of listening, kept with the workshop already. */
	listenBy(habits: ListeningHabits): void {
		this.about = { ...this.about, habits };
		void this.keep();
	}

	/** Keeps what the simulated lever has moved: the groups that stand otherwise than before. */
	movePins(now: MovedPins): void {
		const changed = Object.entries(now).filter(
			([group, pins]) => JSON.stringify(pins) !== JSON.stringify(this.moved[group])
		);
		this.moved = { ...now };
		if (changed.length === 0) return;
		const at = this.record.movePins(Object.fromEntries(changed));
		this.movedHere = { ...this.movedHere, ...Object.fromEntries(changed.map(([group]) => [group, at])) };
		void this.keep();
	}

	/** Begins to ask what others do, and to tell what is done here. @returns what ends it */
	start(): () => void {
		this.stopped = new AbortController();
		const now = () => void this.ask();
		const ends = [handOver.onChange(() => void this.catchUp()), connection.onReturn(now)];
		document.addEventListener('visibilitychange', now);
		addEventListener('online', now);
		now();
		return () => {
			this.stopped?.abort();
			this.stopped = undefined;
			clearTimeout(this.timer);
			for (const end of ends) end();
			document.removeEventListener('visibilitychange', now);
			removeEventListener('online', now);
		};
	}

	/** What another window of this browser has made, and then what the server has. */
	private async catchUp(): Promise<void> {
		this.takeRemembered(await remembered(this.record.visitId));
		await this.ask();
	}

	private takeRemembered(rows: HeldVisit['happened']): void {
		const told = rows.filter(({ seq }) => seq !== undefined).map((row) => row.told);
		const own = rows.filter(({ seq }) => seq === undefined).map((row) => row.told);
		this.notice([...this.record.take(told), ...this.record.takeOwn(own)]);
	}

	/** Asks once; whoever asks meanwhile waits for the same answer. */
	private ask(): Promise<void> {
		clearTimeout(this.timer);
		this.asking ??= this.askOnce().finally(() => {
			this.asking = undefined;
			if (!this.stopped) return;
			this.timer = setTimeout(() => void this.ask(), document.hidden ? LONGEST_PAUSE : this.pause);
		});
		return this.asking;
	}

	private async askOnce(): Promise<void> {
		const signal = this.stopped?.signal;
		if (!signal || this.continued) return;
		const answered = this.stale ? await this.askWhole(signal) : await this.askChanges(signal);
		this.pause = answered ? ASK_MS : Math.min(2 * this.pause, LONGEST_PAUSE);
	}

	/** Opened from the device: what it holds may be old, also of the instrument. */
	private async askWhole(signal: AbortSignal): Promise<boolean> {
		const { visitId } = this.record;
		const { habits } = this.about;
		const answer = await connection.ask<VisitBundle>(`/api/visits/${visitId}/bundle`, { signal });
		if (answer.kind !== 'told') return this.isUnknown(answer);
		// Kept while it was on its way: the answer may be older, and is asked for again.
		if (this.about.habits !== habits) return true;
		const { visit } = answer.body;
		const about = withTimes(answer.body.about) as InstrumentBook<Instrument>;
		if (visit.id !== visitId) return this.goOnIn(visit.id);
		const before = this.captured();
		this.book = visit;
		this.seq = visit.seq;
		this.moved = { ...visit.moved, ...this.moved };
		// A curve that was taken here waits to be handed over.
		const own = this.about.curves.filter(({ id }) => !about.curves.some((each) => each.id === id));
		this.about = { ...about, curves: [...own, ...about.curves] };
		this.notice(this.record.take(visit.events.map((event) => ({ event }))));
		this.stale = false;
		this.kept = await keepVisit({ visit, about: this.about }, true);
		if (before !== this.captured()) this.edition++;
		return true;
	}

	private captured(): string {
		const { instrument, habits } = this.about;
		return JSON.stringify([instrument, habits, this.madeFrom()]);
	}

	private async askChanges(signal: AbortSignal): Promise<boolean> {
		const { visitId } = this.record;
		const answer = await connection.ask<VisitChanges>(`/api/visits/${visitId}/changes?since=${this.seq}`, { signal });
		if (answer.kind !== 'told') return this.isUnknown(answer);
		const { visit, seq, told, moved, movedAt = {} } = answer.body;
		if (visit !== visitId) return this.goOnIn(visit);
		const { curves } = withTimes(answer.body);
		const added = curves.filter(({ id }) => !this.about.curves.some((each) => each.id === id));
		if (added.length) this.about = { ...this.about, curves: [...added, ...this.about.curves] };
		if (moved) this.moved = mergeMoved(this.moved, this.movedHere, moved, movedAt);
		this.seq = Math.max(this.seq, seq);
		this.notice(this.record.take(told));
		await remember(visitId, told, seq).catch(() => (this.kept = false));
		if (added.length) await this.keep();
		return true;
	}

	/** A visit that was begun here and waits to be handed over is unknown to the server, and nothing is wrong. */
	private isUnknown(answer: { readonly kind: string }): boolean {
		return answer.kind === 'refused';
	}

	private async goOnIn(other: string): Promise<boolean> {
		await goesOnIn(this.record.visitId, other).catch(() => {});
		this.continued = other;
		return true;
	}

	/** Somebody else has planned anew: pages show it at once. */
	private notice(unknown: readonly { readonly id: string }[]): void {
		const plans = new Set(unknown.filter((event) => 'do' in event && event.do === 'plan').map(({ id }) => id));
		if (plans.size) this.edition++;
	}

	private async keep(): Promise<void> {
		const { book, about, moved } = this;
		this.kept = await keepVisit({ visit: { ...book, moved }, about });
	}
}
