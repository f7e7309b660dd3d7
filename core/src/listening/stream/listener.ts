import { USUAL_HABITS, type ListeningHabits } from '../habits';
import type { Due, ListenerEvent } from '../events';
import type { ExpectedStrings } from './recognise';
import { StreamListener } from './streamListener';

export interface ListenerOptions {
	readonly sampleRate: number;
	readonly strings: ExpectedStrings;
	/** USUAL_HABITS unless given. */
	readonly habits?: ListeningHabits;
}

/** Turns a stream of samples into timed readings. */
export interface Listener {
	/**
	 * Takes the next samples (mono, -1 to 1, any number) and tells what they brought, in order.
	 * @param sampleRate when it is not the one before: what sounds is refused, and listening begins anew at that rate
	 * @throws RangeError when the rate lies outside 16 to 192 kHz
	 */
	push(samples: Float32Array, sampleRate?: number): ListenerEvent[];
	/** So many samples did not come in: what sounds is refused, and the clock goes on. */
	lose(count: number): ListenerEvent[];
	expect(due: Due | undefined): void;
	/** Other habits, from the next strike on. */
	listenBy(habits: ListeningHabits): void;
	/** Leaves out what no reading needs, where the pitch goes after it, until it is told otherwise. */
	spare(isBehind: boolean): void;
}

/** @throws RangeError when the sample rate lies outside 16 to 192 kHz */
export function createListener(options: ListenerOptions): Listener {
	return new AnyRateListener(options);
}

/** Goes on when the sound card changes its rate: the clock runs through, the sound begins anew. */
class AnyRateListener implements Listener {
	private current: StreamListener;
	private due: Due | undefined;
	private habits: ListeningHabits;
	private isBehind = false;
	private pushed = 0;
	private before = 0;

	constructor(private readonly options: ListenerOptions) {
		this.habits = options.habits ?? USUAL_HABITS;
		this.current = this.open(options.sampleRate);
	}

	private open(sampleRate: number): StreamListener {
		if (!(sampleRate >= 16_000 && sampleRate <= 192_000))
			throw new RangeError(`createListener: a sample rate of ${sampleRate} Hz is outside 16000 to 192000`);
		const opened = new StreamListener(sampleRate, this.options.strings, this.before);
		opened.listenBy(this.habits);
		opened.expect(this.due);
		opened.spare(this.isBehind);
		return opened;
	}

	push(samples: Float32Array, sampleRate = this.current.sampleRate): ListenerEvent[] {
		const events: ListenerEvent[] = [];
		if (sampleRate !== this.current.sampleRate) this.beginAnew(sampleRate, events);
		this.pushed += samples.length;
		this.current.push(samples, events);
		return events;
	}

	lose(count: number): ListenerEvent[] {
		const events: ListenerEvent[] = [];
		const { sampleRate } = this.current;
		this.before += count / sampleRate;
		this.beginAnew(sampleRate, events);
		return events;
	}

	private beginAnew(sampleRate: number, events: ListenerEvent[]): void {
		const left = this.current;
		this.before += this.pushed / left.sampleRate;
		this.pushed = 0;
		this.current = this.open(sampleRate);
		left.breakOff(events);
	}

	expect(due: Due | undefined): void {
		this.due = due;
		this.current.expect(due);
	}

	listenBy(habits: ListeningHabits): void {
		this.habits = habits;
		this.current.listenBy(habits);
	}

	spare(isBehind: boolean): void {
		this.isBehind = isBehind;
		this.current.spare(isBehind);
	}
}
