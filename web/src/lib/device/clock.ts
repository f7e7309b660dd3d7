import { v7 as uuid } from 'uuid';

/*
 * What happens on a device is stamped with its counter and its clock. No clock is trusted: what it is off by is measured
 * against the server whenever that answers, and goes along with what is handed over. A window is a device of its own, and
 * becomes another one when its clock is set meanwhile, so that one difference holds for everything a device has made.
 */

/** A clock that moves by more than this against the time that has passed was set. */
const SET_MS = 2000;

export interface Stamp {
	readonly id: string;
	readonly device: string;
	readonly counter: number;
	/** By the device's own clock; it never falls as the counter rises. */
	readonly at: number;
}

export class DeviceClock {
	/** Milliseconds that the server's time is ahead of each device's clock, as last measured. */
	readonly offsets = new Map<string, number>();
	private device = uuid();
	private counter = 0;
	private last = -Infinity;
	/** What the clock said when nothing had passed yet. */
	private start: number;
	private trip = Infinity;

	constructor(
		private readonly wall: () => number = () => Date.now(),
		private readonly passed: () => number = () => performance.now()
	) {
		this.start = wall() - passed();
	}

	/** A window whose clock was set is another device from there on. */
	private look(): void {
		const start = this.wall() - this.passed();
		if (Math.abs(start - this.start) <= SET_MS) return;
		this.start = start;
		this.device = uuid();
		this.counter = 0;
		this.last = -Infinity;
		this.trip = Infinity;
	}

	/** Who makes what is made here now. */
	get name(): string {
		this.look();
		return this.device;
	}

	stamp(): Stamp {
		this.look();
		this.last = Math.max(this.wall(), this.last);
		return { id: uuid(), device: this.device, counter: ++this.counter, at: this.last };
	}

	/** Takes what the server's clock said in an answer to what was asked so many milliseconds ago. @returns what this clock is off by */
	measure(server: number, trip: number): number {
		this.look();
		// The quickest answer says it best.
		if (trip <= this.trip) {
			this.trip = trip;
			this.offsets.set(this.device, Math.round(server - (this.wall() - trip / 2)));
		}
		return this.offsets.get(this.device)!;
	}

	/** Takes up what was measured by windows before this one. */
	recall(known: readonly (readonly [string, number])[]): void {
		for (const [device, off] of known) if (!this.offsets.has(device)) this.offsets.set(device, off);
	}

	/** A moment of a device in the server's time, as far as it is known here. */
	placed(device: string, at: number): number {
		return at + (this.offsets.get(device) ?? 0);
	}
}

/** The one of this window. */
export const clock = new DeviceClock();
