import {
	Backlog,
	createListener,
	measureReference,
	StrikeKeeper,
	type KeptStrike,
	type Listener,
	type ListenerEvent
} from '@fendrel/core';
import { expectedStrings } from '$lib/tuning/listeningSetup';
import type { ListenJob, ListeningTasks, SoundBlock } from './listening';
import type { Handlers, InHand } from './serve';
import type { Heard } from './listening';

const NOTHING = new Float32Array(0);

/** Settles once nobody waits for it any more. */
const untilGivenUp = (signal: AbortSignal) =>
	new Promise<never>((_, reject) => signal.addEventListener('abort', () => reject(signal.reason), { once: true }));

/** Blocks of sound as they come in: what they bring, with gaps between them made good. */
class BlockStream {
	private keeper: StrikeKeeper;
	private seconds = 0;
	/** The sound card's count that the next block should begin with. */
	private next: number | undefined;

	constructor(
		private readonly listener: Listener,
		private readonly inharmonicityAt: (note: number) => number,
		/** The rate that the sound card has now. */
		private readonly rate: () => number
	) {
		this.keeper = new StrikeKeeper(rate(), inharmonicityAt);
	}

	/** The clock runs through; the sound kept so far is not joined to what comes. */
	keepAnew(): void {
		this.keeper = new StrikeKeeper(this.rate(), this.inharmonicityAt, this.seconds);
	}

	take({ from, samples }: SoundBlock): { events: readonly ListenerEvent[]; found: readonly KeptStrike[] } {
		const lost = this.next === undefined ? 0 : from - this.next;
		const broken = lost > 0 ? this.breakOff(lost) : { events: [], found: [] };
		this.next = from + samples.length;
		const events = this.listener.push(samples, this.rate());
		const found = this.keeper.push(samples, events);
		this.seconds += samples.length / this.rate();
		return { events: [...broken.events, ...events], found: [...broken.found, ...found] };
	}

	private breakOff(lost: number) {
		const events = this.listener.lose(lost);
		const found = this.keeper.push(NOTHING, events);
		this.seconds += lost / this.rate();
		this.keepAnew();
		return { events, found };
	}
}

/** Takes blocks in turn, so that it can be seen how many of them wait. */
class Queue {
	private readonly waiting: SoundBlock[] = [];
	private samples = 0;
	private readonly turn = new MessageChannel();

	constructor(take: (block: SoundBlock, samplesWaiting: number) => void) {
		this.turn.port1.onmessage = () => {
			const block = this.waiting.shift();
			if (!block) return;
			this.samples -= block.samples.length;
			take(block, this.samples);
			// What has come in meanwhile has its turn first.
			if (this.waiting.length) this.turn.port2.postMessage(0);
		};
	}

	add(block: SoundBlock): void {
		this.waiting.push(block);
		this.samples += block.samples.length;
		if (this.waiting.length === 1) this.turn.port2.postMessage(0);
	}

	clear(): void {
		this.waiting.length = this.samples = 0;
	}

	close(): void {
		this.clear();
		this.turn.port1.close();
	}
}

export function listeningJobs(): Handlers<ListeningTasks> {
	let listener: Listener | undefined;
	let said = 0;
	let rate = 0;
	let restart = () => {};
	let gather: ((block: Float32Array) => void) | undefined;

	function listen({ setup, samples, live, strikes }: ListenJob, { signal, tell }: InHand<Heard>): Promise<never> {
		said = rate = setup.sampleRate;
		const strings = expectedStrings(setup);
		const opened = (listener = createListener({ sampleRate: rate, strings, habits: setup.habits }));
		const stream = new BlockStream(opened, strings.inharmonicityAt, () => rate);
		restart = () => stream.keepAnew();
		const backlog = new Backlog();
		const queue = new Queue((block, samplesWaiting) => {
			const catching = live ? backlog.see(samplesWaiting / rate) : 'up';
			opened.spare(catching !== 'up');
			if (catching === 'skipping') return queue.clear();
			gather?.(block.samples);
			const { events, found } = stream.take(block);
			for (const strike of found) strikes?.postMessage(strike, [strike.samples.buffer]);
			const behind = catching !== 'up';
			if (events.length || found.length) tell({ events, kept: found.map(({ reading }) => reading), behind });
		});
		samples.onmessage = ({ data }: MessageEvent<SoundBlock>) => queue.add(data);
		const close = () => {
			samples.close();
			queue.close();
		};
		signal.addEventListener('abort', close, { once: true });
		return untilGivenUp(signal);
	}

	return {
		listen,
		expect(due) {
			listener?.expect(due);
		},
		listenBy(habits) {
			listener?.listenBy(habits);
		},
		correct(sampleRate) {
			if (sampleRate === rate) return;
			rate = sampleRate;
			restart();
		},
		async reference({ known, seconds }, { signal }) {
			const samples = new Float32Array(Math.round(seconds * said));
			const full = new Promise<void>((resolve) => {
				let count = 0;
				gather = (block) => {
					const take = Math.min(block.length, samples.length - count);
					samples.set(block.subarray(0, take), count);
					count += take;
					if (count === samples.length) resolve();
				};
			});
			await Promise.race([full, untilGivenUp(signal)]).finally(() => (gather = undefined));
			return measureReference(samples, said, known);
		}
	};
}
