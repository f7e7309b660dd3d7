import {
	cents,
	centsBetween,
	equalHz,
	hzAbove,
	KEYBOARD,
	measureTwin,
	TWIN_A4,
	usualStringing,
	type Act,
	type InstrumentTwin,
	type Random
} from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import { database } from '../db/connection';
import type { ActRow, SimulatedPinsRow, VisitRow } from '../db/rows';
import { addActs, addReadings, keepPlanVersions, movePins, soundersText, type NewReading } from '../db/stores/record';

const SECONDS_TO_SET = 50;
/** Seconds after the beginning of a visit at which its first note is read. */
const FIRST = 300;

/** A note of a demo visit; pitches in cents from equal at 440. */
interface DemoNote {
	readonly note: number;
	readonly target: number;
	readonly found: number;
	readonly left: number;
	readonly second: number;
}

/** The record of an invented visit: its readings and acts, as one device would have made them. */
export class DemoRecord {
	private readonly device = uuid();
	private counter = 0;
	private readonly planId = uuid();
	private readonly readings: NewReading[] = [];
	private readonly acts: ActRow[] = [];
	private readonly keyboard;

	constructor(
		private readonly visit: VisitRow,
		private readonly twin: InstrumentTwin,
		private readonly random: Random
	) {
		const { kind, lowest, highest } = twin;
		this.keyboard = { lowest, highest, stringing: usualStringing(kind, lowest, highest) };
		this.act('plan', visit.startedAt, { plan: this.plan() }, this.planId);
	}

	private plan() {
		const { a4, temperamentId, tolerance, curveId } = this.visit;
		return { id: this.planId, a4, temperamentId, tolerance, curveId, lead: null };
	}

	act(kind: Act['do'], at: Date, act: Record<string, unknown>, id = uuid()): void {
		const { id: visitId, workshopId } = this.visit;
		const { sounders = null, reading = null } = act as { sounders?: ActRow['sounders'] & string; reading?: string };
		this.acts.push({
			...{ id, visitId, workshopId, kind, device: this.device, counter: ++this.counter, doneAt: at, placedAt: at },
			...{ seq: 1, sounders: sounders && String(sounders), readingId: reading, act, hash: null }
		});
	}

	/** Two readings of a note, as it was found and as it was left, and that it was left so. */
	foundAndLeft({ note, target: wanted, found, left, second }: DemoNote): void {
		const at = (seconds: number) => new Date(this.visit.startedAt.getTime() + (FIRST + seconds) * 1000);
		const target = hzAbove(equalHz(note, TWIN_A4), cents(wanted));
		const [sounder] = KEYBOARD.sounders(this.keyboard, note);
		this.read(note, sounder, found, target, at(second));
		const reading = this.read(note, sounder, left, target, at(second + SECONDS_TO_SET));
		this.act('accept', at(second + SECONDS_TO_SET), {
			...{ sounders: [sounder], purpose: 'set', pass: 1, reading, setTo: target, final: target, plan: this.planId }
		});
	}

	private read(
		note: number,
		sounder: ReturnType<typeof KEYBOARD.sounders>[number],
		pitch: number,
		target: Parameters<typeof centsBetween>[0],
		at: Date
	): string {
		const { id: visitId, workshopId } = this.visit;
		const measured = measureTwin(this.twin, note, pitch, this.random);
		const id = uuid();
		this.readings.push({
			row: {
				id,
				visitId,
				workshopId,
				sounders: soundersText([sounder]),
				device: this.device,
				counter: ++this.counter,
				takenAt: at,
				placedAt: at,
				seq: 1,
				hash: null,
				source: 'simulated',
				pitch: measured.pitch,
				pitchError: measured.pitchError,
				target,
				deviation: centsBetween(target, measured.pitch),
				fundamental: measured.fundamental,
				inharmonicity: measured.inharmonicity ?? null,
				inharmonicityError: measured.inharmonicityError ?? null,
				moment: measured.moment,
				listened: null,
				falseBeat: null,
				falseBeatDepth: null,
				spread: null,
				spreadError: null
			},
			partials: [...measured.partials]
		});
		return id;
	}

	async save(visit: VisitRow, moved: SimulatedPinsRow['moved']): Promise<void> {
		const { models, sequelize } = database();
		const { workshopId, startedAt: madeAt } = visit;
		await sequelize.transaction(async (transaction) => {
			await models.visits.create(visit, { transaction });
			await keepPlanVersions([{ ...this.plan(), workshopId, visitId: visit.id, madeAt }], transaction);
			await addReadings(this.readings, transaction);
			await addActs(this.acts, transaction);
			await movePins(visit.id, moved, madeAt, 1, transaction);
		});
	}
}
