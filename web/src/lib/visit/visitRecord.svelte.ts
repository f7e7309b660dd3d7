import {
	addToReport,
	groupRecords,
	isReading,
	PLAN_FIELDS,
	planField,
	readingsTakenFor,
	reportOf,
	type Act,
	type Hz,
	type LastingReading,
	type MovedPins,
	type PlanVersion,
	type Plucked,
	type Purpose,
	type Reading,
	type SetUp,
	type SounderId,
	type Stage,
	type StringReading,
	type VisitEvent,
	type VisitReport
} from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import type { Told } from '$lib/device/books';
import { FORMAT } from '$lib/record/format';
import type { HandOver } from '$lib/handover/handOver.svelte';
import type { Made } from '$lib/handover/outbox';
import type { Item, SentReading } from '$lib/record/record';
import type { KeptCurve } from '$lib/tuning/curve';
import { NO_STRETCH, stretchColumns, type Stretch } from '$lib/tuning/stretch';

type Partials = SentReading['partials'];
/** A reading with what lists do not need. */
export type FullReading = Reading & { readonly partials: Partials };

/** What is known of a strike besides what it measured. */
export interface StrikeDetails extends Partial<
	Pick<Reading, 'listened' | 'falseBeat' | 'falseBeatDepth' | 'spread' | 'spreadError'>
> {
	readonly sounders: readonly SounderId[];
	readonly source: Reading['source'];
	readonly target: Hz;
	readonly deviation: number;
}

/** What is known of a tone besides what it measured. */
export interface ToneDetails extends Pick<StrikeDetails, 'sounders' | 'source' | 'target' | 'deviation'> {
	readonly setUp: SetUp;
	readonly plucked?: Plucked;
}

type Stamped = 'id' | 'device' | 'counter' | 'at';
type NewActOf<Each> = Each extends Act ? Omit<Each, Stamped> : never;
/** An act before it has its place in the order. */
export type NewAct = NewActOf<Act>;
/** What is chosen anew of a plan. */
export type PlanChanges = Partial<
	Pick<PlanVersion, 'a4' | 'temperamentId' | 'tolerance' | 'raise' | 'touch' | 'order' | 'intonation' | 'frets'>
> & {
	readonly stretch?: Stretch;
};

/**
 * The record of a visit as this window knows it: what the server has told, what waits on the device, and what happens now.
 * All of it goes into one report; what happens now is handed over.
 */
export class VisitRecord {
	report: VisitReport = $state.raw() as VisitReport;
	/** The same. While a page is taken down, state is what it was before: what is added then goes on from here. */
	private latest: VisitReport;
	readonly groups = $derived.by(() => groupRecords(this.report.sounders.values()));
	/** Partials of what was read since the visit's book was made. */
	private partials: ReadonlyMap<string, Partials> = $state.raw(new Map());
	/** What is made together, while it is made. */
	private batch: Made[] | undefined;
	/** What the server has told, and so has its place. */
	private readonly placed = new Set<string>();

	constructor(
		readonly visitId: string,
		events: readonly VisitEvent[],
		private readonly handOver: Pick<HandOver, 'stamp' | 'add' | 'placed'>
	) {
		this.report = this.latest = reportOf(events);
		for (const { id } of events) this.placed.add(id);
	}

	/** Adds what the server told. @returns those that this window did not know */
	take(told: readonly Told[]): readonly VisitEvent[] {
		const unknown = told.flatMap(({ event }) => (this.latest.events.has(event.id) ? [] : [event]));
		for (const { event } of told) this.placed.add(event.id);
		this.add(told);
		return unknown;
	}

	/**
	 * Adds what this device has made and the server has not told yet: where that has told, it knows better.
	 * @returns those that this window did not know
	 */
	takeOwn(told: readonly Told[]): readonly VisitEvent[] {
		const own = told.filter(({ event }) => !this.placed.has(event.id));
		const unknown = own.flatMap(({ event }) => (this.latest.events.has(event.id) ? [] : [event]));
		this.add(own.map(({ event, partials }) => ({ event: this.inServerTime(event), partials })));
		return unknown;
	}

	private inServerTime<Event extends VisitEvent>(event: Event): Event {
		return { ...event, at: this.handOver.placed(event.device, event.at) };
	}

	private add(told: readonly Told[]): void {
		const read = told.flatMap(({ event, partials }) => (partials ? [[event.id, partials] as const] : []));
		if (read.length) this.partials = new Map([...this.partials, ...read]);
		this.latest = addToReport(
			this.latest,
			told.map(({ event }) => event)
		);
		this.report = this.latest;
	}

	/** Stores what a strike measured. */
	read(measured: StringReading, details: StrikeDetails): FullReading {
		const { sounders, source, target, deviation } = details;
		const { listened = null, falseBeat = null, falseBeatDepth = null, spread = null, spreadError = null } = details;
		const { pitch, pitchError, flexiblePitch, moment } = measured;
		const { inharmonicity = null, inharmonicityError = null } = measured;
		const reading: Reading = {
			...this.handOver.stamp(),
			...{ way: 'struck', sounders, source, target, deviation, listened },
			...{ pitch, pitchError, fundamental: flexiblePitch, inharmonicity, inharmonicityError, moment },
			...{ falseBeat, falseBeatDepth, spread, spreadError }
		};
		const partials = measured.partials.map(({ decay, ...partial }) => ({ ...partial, decay: decay ?? null }));
		this.hand(reading, partials);
		return { ...reading, partials };
	}

	/** Stores what a tone that lasts told. */
	readTone(measured: LastingReading, told: ToneDetails): Reading {
		const { sounders, source, target, deviation, setUp, plucked } = told;
		const { pitch, error: pitchError, level, softest, wobble, drift, slope } = measured;
		const lasting = {
			...{ level, softest, wobble, drift, setUp },
			...{ slope: slope?.slope ?? null, slopeError: slope?.error ?? null },
			...(plucked && { plucked })
		};
		const reading: Reading = {
			...this.handOver.stamp(),
			...{ way: 'lasting', sounders, source, target, deviation, lasting, pitch, pitchError },
			...{ listened: null, fundamental: null, inharmonicity: null, inharmonicityError: null, moment: null },
			...{ falseBeat: null, falseBeatDepth: null, spread: null, spreadError: null }
		};
		this.hand(reading, []);
		return reading;
	}

	private hand(reading: Reading, partials: Partials): void {
		const { device, at, ...sent } = reading;
		this.made(
			{ kind: 'reading', device, reading: { ...sent, sounders: [...sent.sounders], takenAt: new Date(at), partials } },
			{ event: reading, partials }
		);
	}

	/** Records what was done. `curve`: one that a plan takes anew. */
	act(doing: NewAct, curve?: KeptCurve): Act {
		const act = { ...this.handOver.stamp(), ...doing } as Act;
		const { device, at, ...sent } = act;
		this.made({ kind: 'act', device, act: { ...sent, ...(curve && { curve }), doneAt: new Date(at) } }, { event: act });
		return act;
	}

	/** Plans anew what is chosen, over what was planned before. */
	replan({ stretch, ...changes }: PlanChanges, curve?: KeptCurve): void {
		const { plan, heads } = this.report;
		if (!plan) return;
		const { curveId, curveLead: lead } = stretchColumns(stretch ?? NO_STRETCH);
		const chosen = { ...changes, ...(stretch && { curveId, lead }) };
		const wrote = PLAN_FIELDS.filter((field) =>
			Object.keys(planField({ ...plan, ...chosen }, field)).some((key) => key in chosen)
		);
		if (wrote.length === 0) return;
		this.act({ do: 'plan', plan: { ...plan, ...chosen, id: uuid() }, wrote, over: heads.plan }, curve);
	}

	/** Writes the note anew, over the versions that whoever writes has seen. */
	write(text: string, over: readonly string[] = this.report.heads.note): void {
		this.act({ do: 'note', text, over });
	}

	/** Says which stage the work is in. */
	enter(stage: Stage): void {
		if (this.report.stage !== stage && this.report.finishedAt === undefined) this.act({ do: 'stage', stage });
	}

	/** Keeps what the simulated instrument's lever has moved. @returns when that was, in the server's time */
	movePins(moved: MovedPins): number {
		const { id, device, at } = this.handOver.stamp();
		this.made({ kind: 'pins', device, id, at: new Date(at), moved: $state.snapshot(moved) as MovedPins });
		return this.handOver.placed(device, at);
	}

	/** What is made by the work is kept by the device in one go: all of it or none. */
	together(work: () => void): void {
		const batch: Made[] = [];
		this.batch = batch;
		try {
			work();
		} finally {
			this.batch = undefined;
			if (batch.length) void this.handOver.add(this.visitId, batch);
		}
	}

	private made(item: Record<string, unknown> & { readonly kind: Item['kind'] }, told?: Told): void {
		const { visitId } = this;
		if (told) this.add([{ ...told, event: this.inServerTime(told.event) }]);
		const made = { item: { format: FORMAT, visitId, ...item }, told };
		if (this.batch) this.batch.push(made);
		else void this.handOver.add(visitId, [made]);
	}

	readingsFor(purpose: Purpose): readonly Reading[] {
		return readingsTakenFor(this.report, purpose);
	}

	/** Readings since the visit's book was made, with their partials. */
	readonly newReadings = $derived.by((): readonly FullReading[] =>
		[...this.report.events.values()].flatMap((event) => {
			const partials = isReading(event) ? this.partials.get(event.id) : undefined;
			return isReading(event) && partials ? [{ ...event, partials }] : [];
		})
	);
}
