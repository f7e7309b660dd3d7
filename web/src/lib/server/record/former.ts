import { KEYBOARD, type Keyboard, type SounderId } from '@fendrel/core';
import type { Transaction } from 'sequelize';
import { NIL, v5 } from 'uuid';
import { FORMAT, FORMER_FORMAT } from '$lib/record/format';
import type { FormerItem, FormerReading } from '$lib/record/formerRecord';
import type { Item } from '$lib/record/record';
import { database } from '../db/connection';
import { soundersText } from '../db/stores/record';
import type { StrungInstrument } from '../db/stores/instruments';
import { stringingOf } from '../strings/stringing';

/** One thing to be stored; `of` says which of the items sent it came from. */
export interface Incoming {
	readonly of: number;
	/** What was made before devices had names is nobody's. */
	readonly device: string;
	readonly counter: number;
	/** By the device's clock. */
	readonly at: Date;
	readonly item: Item;
}

/** Items of both formats as the present one has them: a reading with its marks becomes a reading and an act. */
export async function asPresent(
	visitId: string,
	sent: readonly (Item | FormerItem)[],
	transaction: Transaction
): Promise<Incoming[]> {
	const incoming: Incoming[] = [];
	const former = sent.some(({ format }) => format === FORMER_FORMAT)
		? await FormerVisit.of(visitId, transaction)
		: undefined;
	for (const [of, item] of sent.entries())
		if (item.format === FORMER_FORMAT) incoming.push(...(await former!.read(of, item)));
		else if (item.kind === 'reading')
			incoming.push({ of, device: item.device, counter: item.reading.counter, at: item.reading.takenAt, item });
		else if (item.kind === 'act')
			incoming.push({ of, device: item.device, counter: item.act.counter, at: item.act.doneAt, item });
		else if (item.kind === 'begin')
			incoming.push({ of, device: item.device, counter: item.begin.counter, at: item.begin.startedAt, item });
		else incoming.push({ of, device: item.device, counter: 0, at: item.at ?? new Date(), item });
	return incoming;
}

/** Which strings of a note were left unmuted: "middle" on a note of two was the one that leads. */
function soundersThen(keyboard: Keyboard, { note, string }: Pick<FormerReading, 'note' | 'string'>): SounderId[] {
	const all = KEYBOARD.sounders(keyboard, note);
	if (string === 'open') return [...all];
	return [all.find((sounder) => sounder.endsWith(`/${string}`)) ?? all[0]];
}

/** A visit that a device of then writes to. */
class FormerVisit {
	private readonly measured = new Map<string, string>();

	private constructor(
		private readonly visitId: string,
		private readonly keyboard: Keyboard,
		private readonly planId: string | null,
		private readonly acts: ReadonlySet<string>
	) {}

	static async of(visitId: string, transaction: Transaction): Promise<FormerVisit> {
		const { visits, instruments, readings, acts } = database().models;
		const { workshopId, instrumentId } = (await visits.findByPk(visitId, { transaction }))!.get();
		const instrument = (await instruments.findByPk(instrumentId, { transaction }))!.get();
		const { lowest, highest } = instrument;
		const keyboard = {
			lowest,
			highest,
			// Only keyboards were there before.
			stringing: await stringingOf(workshopId, instrument as StrungInstrument)
		};
		const done = await acts.findAll({ where: { visitId }, attributes: ['id', 'kind', 'placedAt'], transaction });
		const plan = done
			.map((row) => row.get())
			.filter(({ kind }) => kind === 'plan')
			.sort((a, b) => a.placedAt.getTime() - b.placedAt.getTime())
			.at(-1);
		const visit = new FormerVisit(visitId, keyboard, plan?.id ?? null, new Set(done.map((row) => row.get().id)));
		for (const row of await readings.findAll({ where: { visitId }, transaction })) {
			const { id, sounders, pitch, fundamental, moment } = row.get();
			visit.measured.set(measure(sounders, pitch, fundamental, moment), id);
		}
		return visit;
	}

	async read(of: number, item: FormerItem): Promise<Incoming[]> {
		const { visitId } = this;
		if (item.kind === 'place') {
			const at = new Date();
			const { currentNote, moved } = item.place;
			const place = { id: item.id, counter: 0, doneAt: at, do: 'place', group: currentNote } as const;
			return [
				{ of, device: NIL, counter: 0, at, item: { format: FORMAT, kind: 'act', visitId, device: NIL, act: place } },
				{
					of,
					device: NIL,
					counter: 0,
					at,
					item: { format: FORMAT, kind: 'pins', visitId, device: NIL, id: item.id, moved }
				}
			];
		}
		const { note, string, accepted, found, source, pitch, deviation, ...figures } = item.reading;
		const { id, takenAt: at, target } = figures;
		// An act under that id: it was carried over already, whatever became of its reading.
		if (this.acts.has(id)) return [];
		const sounders = soundersThen(this.keyboard, { note, string });
		const incoming: Incoming[] = [];
		const add = (counter: number, of_: Item) => incoming.push({ of, device: NIL, counter, at, item: of_ });
		let rests: string | null = null;
		if (pitch !== null && deviation !== null && source !== 'ear') {
			const key = measure(soundersText(sounders), pitch, figures.fundamental, figures.moment);
			// A measurement was sent twice, once as read and once as kept: it is one reading.
			rests = (accepted ? this.measured.get(key) : undefined) ?? id;
			if (rests === id) {
				this.measured.set(key, id);
				const reading = { way: 'struck' as const, counter: 0, sounders, source, pitch, deviation, ...figures };
				add(0, { format: FORMAT, kind: 'reading', visitId, device: NIL, reading });
			}
		}
		if (accepted || found) {
			const purpose = accepted ? ('set' as const) : ('found' as const);
			const act = {
				// What was read and taken in one row has one number for both: the act's follows from it.
				...{
					id: rests === id ? v5('accept', id) : id,
					counter: 1,
					doneAt: at,
					do: 'accept' as const,
					sounders,
					purpose,
					pass: 1
				},
				...{ reading: rests, setTo: target, final: target, plan: this.planId }
			};
			add(1, { format: FORMAT, kind: 'act', visitId, device: NIL, act });
		}
		return incoming;
	}
}

const measure = (sounders: string, pitch: number | null, fundamental: number | null, moment: number | null) =>
	[sounders, pitch, fundamental, moment].join(' ');
