import {
	addToReport,
	groupRecords,
	isReading,
	readingsTakenFor,
	reportOf,
	type Act,
	type ActOf,
	type Hz,
	type Purpose,
	type Reading,
	type SounderId,
	type StringReading,
	type VisitEvent,
	type VisitReport
} from '@fendrel/core';
import { FORMAT } from '$lib/handover/format';
import type { HandOver } from '$lib/handover/handOver.svelte';
import type { Item, MovedPins, SentReading } from '$lib/handover/record';

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

type Doing = ActOf<'accept'> | ActOf<'takeBack'> | ActOf<'discard'> | ActOf<'place'>;
type Stamped = 'id' | 'device' | 'counter' | 'at';
/** An act before it has its place in the order. */
export type NewAct = Doing extends infer Each ? (Each extends Doing ? Omit<Each, Stamped> : never) : never;

/**
 * The record of a visit as this page knows it: what the server had, what waits on the device, and what happens now. All of
 * it goes into one report; what happens now is handed over.
 */
export class VisitRecord {
	report: VisitReport = $state.raw() as VisitReport;
	readonly groups = $derived.by(() => groupRecords(this.report.sounders.values()));
	/** Partials of what was read on this page. */
	private readonly partials = new Map<string, Partials>();

	constructor(
		private readonly visitId: string,
		events: readonly VisitEvent[],
		private readonly handOver: Pick<HandOver, 'stamp' | 'add' | 'knownOf' | 'device'>
	) {
		this.report = reportOf(events);
	}

	/** Adds what the server told since. */
	take(events: readonly VisitEvent[]): void {
		this.report = addToReport(this.report, events);
	}

	/** Takes up what this device had kept from before a reload or crash. @returns the pins that wait, if any do */
	async restore(): Promise<MovedPins | undefined> {
		const items = (await this.handOver.knownOf(this.visitId)) as Item[];
		const known = items.filter(({ format }) => format === FORMAT);
		this.take(known.flatMap((item) => this.asEvent(item) ?? []));
		return known.flatMap((item) => (item.kind === 'pins' ? [item.moved] : [])).at(-1);
	}

	private asEvent(item: Item): VisitEvent | undefined {
		if (item.kind === 'pins') return undefined;
		const { device } = item;
		if (item.kind === 'reading') {
			const { takenAt, partials, ...reading } = item.reading;
			this.partials.set(reading.id, partials);
			return { ...reading, device, at: new Date(takenAt).getTime() };
		}
		const { doneAt, ...act } = item.act;
		return { ...act, device, at: new Date(doneAt).getTime() };
	}

	/** Stores what a strike measured. */
	read(measured: StringReading, details: StrikeDetails): FullReading {
		const { sounders, source, target, deviation } = details;
		const { listened = null, falseBeat = null, falseBeatDepth = null, spread = null, spreadError = null } = details;
		const { pitch, pitchError, fundamental, moment } = measured;
		const { inharmonicity = null, inharmonicityError = null } = measured;
		const reading: Reading = {
			...this.handOver.stamp(),
			...{ way: 'struck', sounders, source, target, deviation, listened },
			...{ pitch, pitchError, fundamental, inharmonicity, inharmonicityError, moment },
			...{ falseBeat, falseBeatDepth, spread, spreadError }
		};
		const partials = measured.partials.map(({ decay, ...partial }) => ({ ...partial, decay: decay ?? null }));
		this.partials.set(reading.id, partials);
		this.take([reading]);
		const { device: _, at, ...sent } = reading;
		this.send({ kind: 'reading', reading: { ...sent, sounders: [...sounders], takenAt: new Date(at), partials } });
		return { ...reading, partials };
	}

	/** Records what was done. */
	act(doing: NewAct): Act {
		const act = { ...this.handOver.stamp(), ...doing } as Doing;
		this.take([act]);
		const { device: _, at, ...sent } = act;
		this.send({ kind: 'act', act: { ...sent, doneAt: new Date(at) } as Extract<Item, { kind: 'act' }>['act'] });
		return act;
	}

	/** Keeps what the simulated instrument's lever has moved. */
	movePins(moved: MovedPins): void {
		const { id } = this.handOver.stamp();
		this.send({ kind: 'pins', id, moved: $state.snapshot(moved) as MovedPins });
	}

	private send(item: Record<string, unknown> & Pick<Item, 'kind'>): void {
		const { visitId } = this;
		void this.handOver.add(visitId, [{ format: FORMAT, visitId, device: this.handOver.device, ...item }]);
	}

	readingsFor(purpose: Purpose): readonly Reading[] {
		return readingsTakenFor(this.report, purpose);
	}

	/** Readings of this page, and those that waited on the device, with their partials. */
	readonly own = $derived.by((): readonly FullReading[] =>
		[...this.report.events.values()].flatMap((event) => {
			const partials = isReading(event) ? this.partials.get(event.id) : undefined;
			return isReading(event) && partials ? [{ ...event, partials }] : [];
		})
	);
}
