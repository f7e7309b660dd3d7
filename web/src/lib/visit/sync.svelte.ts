import { openOutbox, type Outbox, type Place } from './outbox';
import type { Reading } from './schema';

/** Readings to a batch; a whole visit that waited goes in a dozen. */
const BATCH = 40;
const FIRST_PAUSE = 1000;
const LONGEST_PAUSE = 15_000;

/** Sends what Set makes, in small batches, again and again until it is stored. */
export class Sync {
	/** How many readings the server does not have yet. */
	waiting = $state(0);
	/** Why they wait, as a sentence that says what to do; undefined while all is well. */
	trouble = $state<string | undefined>();

	private opened: Promise<Outbox> | undefined;
	private running: Promise<boolean> | undefined;
	private again = false;
	private pause = FIRST_PAUSE;
	private timer: ReturnType<typeof setTimeout> | undefined;

	constructor(private readonly visitId: string) {}

	/** Opened on first use: the server, which renders the page once, has no store. */
	private get outbox(): Promise<Outbox> {
		return (this.opened ??= openOutbox());
	}

	/** What waited from before a reload or crash. */
	async left(): Promise<{ readings: Reading[]; place: Place | undefined }> {
		const left = await (await this.outbox).waiting(this.visitId);
		this.waiting = left.readings.length;
		if (left.readings.length || left.place) void this.flush();
		return left;
	}

	async add(reading: Reading): Promise<void> {
		this.waiting++;
		const outbox = await this.outbox;
		await outbox.addReading(this.visitId, reading);
		this.waiting = await outbox.count(this.visitId);
		void this.flush();
	}

	async movePlace(place: Place): Promise<void> {
		await (await this.outbox).setPlace(this.visitId, place);
		void this.flush();
	}

	/** Sends now. @returns true when nothing waits any more */
	flush(): Promise<boolean> {
		if (this.running) {
			this.again = true;
			return this.running;
		}
		clearTimeout(this.timer);
		this.running = this.run().finally(() => (this.running = undefined));
		return this.running;
	}

	private async run(): Promise<boolean> {
		const outbox = await this.outbox;
		for (;;) {
			this.again = false;
			const { readings, place } = await outbox.waiting(this.visitId, BATCH);
			if (readings.length === 0 && !place) {
				this.waiting = 0;
				return true;
			}
			const trouble = await this.send(readings, place);
			this.trouble = trouble;
			if (trouble) {
				this.retryLater();
				return false;
			}
			this.pause = FIRST_PAUSE;
			await outbox.sent(
				this.visitId,
				readings.map(({ id }) => id),
				place
			);
			this.waiting = await outbox.count(this.visitId);
			if (this.waiting === 0 && !this.again) return true;
		}
	}

	/** @returns what stands in the way, or undefined when it is stored */
	private async send(readings: readonly Reading[], place: Place | undefined): Promise<string | undefined> {
		let answer: Response;
		try {
			answer = await fetch(`/api/visits/${this.visitId}/progress`, {
				method: 'POST',
				headers: { 'Content-Type': 'application/json' },
				body: JSON.stringify({ readings, place })
			});
		} catch {
			return 'The server does not answer. Go on tuning: readings wait on this device and are sent when it is back.';
		}
		if (answer.ok) return undefined;
		if (answer.status === 401) return 'You are signed out. Sign in again in another tab; readings wait on this device.';
		if (answer.status === 503) return 'The database does not answer. Go on tuning: readings wait on this device.';
		const body: { message?: string } = await answer.json().catch(() => ({}));
		return `The server refused the readings (${body.message ?? answer.status}). They are kept on this device.`;
	}

	private retryLater(): void {
		this.timer = setTimeout(() => void this.flush(), this.pause);
		this.pause = Math.min(2 * this.pause, LONGEST_PAUSE);
	}

	stop(): void {
		clearTimeout(this.timer);
	}
}
