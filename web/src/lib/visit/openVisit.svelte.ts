import {
	compareHappened,
	groupOf,
	summariseVisit,
	type ListeningHabits,
	type MovedPins,
	type PlanVersion,
	USUAL_ORDER,
	type TouchedNote
} from '@fendrel/core';
import { connection } from '$lib/device/connection.svelte';
import { withTimes, type InstrumentBook, type VisitBook, type VisitBundle, type VisitChanges } from '$lib/device/books';
import { askWhoIsHere, signedInHere } from '$lib/device/owner';
import { goesOnIn, heldVisit, keepVisit, remember, remembered, type HeldVisit } from '$lib/device/shelf';
import { handOver } from '$lib/handover/handOver.svelte';
import type { KeptCurve } from '$lib/tuning/curve';
import { familyOf } from '$lib/tuning/family';
import { planFor, type Plan } from '$lib/tuning/plan';
import { knownByStrike, tellsString, type KnownString } from '$lib/tuning/strings';
import { mergeMoved, type MovedAt } from './mergeMoved';
import { outOfLineIn, takenFrom, visitOf } from './ground';
import { VisitRecord, type PlanChanges } from './visitRecord.svelte';

/** How often others' changes are asked for while a visit is open, and how seldom when nobody answers. */
const ASK_MS = 2000;
const LONGEST_PAUSE = 15_000;

/** Why a visit does not open. */
export type Unopened = { readonly status: number; readonly message: string; readonly advice?: string };

/**
 * A visit that is open on this device: its book, what has happened since, and what others do in it meanwhile. It opens from
 * the device where that holds it; the server is asked for the rest whenever it answers.
 */
export class OpenVisit {
	readonly record: VisitRecord;
	about: InstrumentBook = $state.raw() as InstrumentBook;
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
		{ visit, about, happened }: HeldVisit,
		private stale: boolean
	) {
		this.book = visit;
		this.about = about;
		this.seq = visit.seq;
		this.moved = { ...visit.moved };
		this.record = new VisitRecord(visit.id, visit.events, handOver);
		this.takeRemembered(happened);
	}

	/** Opens a visit: from the device where that holds it, else from the server. */
	static async open(id: string): Promise<OpenVisit | Unopened> {
		if (!(await signedInHere())) await askWhoIsHere();
		const held = await heldVisit(id).catch(() => undefined);
		if (held) return new OpenVisit(held, true);
		const answer = await connection.ask<VisitBundle>(`/api/visits/${id}/bundle`);
		if (answer.kind === 'told') {
			const { visit, about } = answer.body;
			const visitOpened = new OpenVisit(
				{ visit, about: withTimes(about), happened: await remembered(visit.id) },
				false
			);
			if (visit.id !== id) visitOpened.continued = visit.id;
			visitOpened.kept = await keepVisit({ visit, about: visitOpened.about }, true);
			return visitOpened;
		}
		if (answer.kind === 'refused')
			return { status: answer.status, message: answer.message ?? 'There is no such visit in your workshop.' };
		if (answer.kind === 'signed out')
			return { status: 401, message: 'You are signed out.', advice: 'Sign in again. What is waiting here stays.' };
		return {
			status: 503,
			message: 'The server does not answer, and this visit was not opened on this device before.',
			advice: 'Visits that have been opened here can be continued. They are listed under On this device.'
		};
	}

	readonly instrument = $derived.by(() => this.about.instrument);
	private readonly planned: PlanVersion = $derived.by(() => this.record.report.plan!);
	/** The visit as it stands. */
	readonly visit = $derived.by(() => visitOf(this.record.report, { ...this.book, id: this.record.visitId }));
	private readonly taken = $derived.by(() => takenFrom(this.about, this.planned));
	readonly temperament = $derived.by(() => this.taken.temperament);
	/** The curve that the plan took. */
	readonly curve: KeptCurve | undefined = $derived.by(() => this.taken.curve);
	/** What is known of the strings: what was read since the book was made is newer. */
	readonly measured: readonly KnownString[] = $derived.by(() => {
		const read = [...this.record.newReadings].filter(tellsString).sort(compareHappened);
		if (read.length === 0) return this.about.measured;
		const told = new Map<number, KnownString>();
		const known = new Map(this.about.measured.map((each) => [each.note, each]));
		for (const { sounders, inharmonicity, ...strike } of read) {
			const note = groupOf(sounders[0]);
			const before = told.get(note) ?? known.get(note);
			// A book that was fetched since may hold the same strike.
			const isOther = before?.by === 'strike' && before.b !== inharmonicity;
			told.set(note, knownByStrike({ ...strike, note, inharmonicity: inharmonicity! }, isOther ? before : undefined));
		}
		return [...this.about.measured.filter(({ note }) => !told.has(note)), ...told.values()];
	});

	/** Notes whose B does not go with their neighbours', and that no second strike has confirmed. */
	readonly outOfLine: ReadonlySet<number> = $derived.by(() => outOfLineIn(this.instrument, this.measured));

	/** Where every note goes. */
	readonly plan: Plan = $derived.by(() => {
		const { instrument, visit, temperament, curve, measured } = this;
		const { a4, stretch } = visit;
		return planFor({ ...instrument, a4, temperament, stretch, curve, measured });
	});
	/** Whoever began it; unknown where it was begun on this device and nobody has told. */
	readonly who = $derived.by(() => this.book.who);
	readonly family = $derived.by(() => familyOf(this.instrument).family);
	/** What the family knows of this instrument. */
	readonly body = $derived.by(() => familyOf(this.instrument).body);
	/** What has been done so far, against the plan. */
	readonly summary = $derived.by(() =>
		summariseVisit(this.record.groups, this.family.groups(this.body), (group) => this.plan.targetOf(group)?.pitch)
	);

	/** Plans anew; a curve that is taken is kept with its instrument. */
	replan(changes: PlanChanges, curve?: KeptCurve): void {
		if (curve) this.about = { ...this.about, curves: [curve, ...this.about.curves] };
		this.record.replan(changes, curve);
		if (curve) void this.keep();
	}

	/** No raise: every note is set, or only some are touched; just one with all its strings. */
	touchOnly(touch: readonly TouchedNote[] | null): void {
		const planned = this.record.report.plan;
		const isPlanned = !planned?.raise && JSON.stringify(planned?.touch ?? null) === JSON.stringify(touch);
		if (isPlanned) return;
		const isOne = touch?.length === 1;
		const order = isOne ? { order: { ...(planned?.order ?? USUAL_ORDER), unisons: 'asOneGoes' as const } } : {};
		this.replan({ raise: null, touch, ...order });
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
		const answer = await connection.ask<VisitBundle>(`/api/visits/${visitId}/bundle`, { signal });
		if (answer.kind !== 'told') return this.isUnknown(answer);
		const { visit } = answer.body;
		const about = withTimes(answer.body.about);
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

	/** What pages are made from besides the plan: only when that has changed are they made anew. */
	private captured(): string {
		const { instrument, habits } = this.about;
		return JSON.stringify([instrument, this.temperament, habits]);
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
