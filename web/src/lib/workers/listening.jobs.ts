import {
	Backlog,
	createListener,
	measureReference,
	PairKeeper,
	StrikeKeeper,
	type KeptPair,
	type KeptStrike,
	type Listener,
	type ListenerEvent
} from '@fendrel/core';
import { expectedStrings } from '$lib/tuning/listeningSetup';
import type { ListenJob, ListeningTasks, SoundBlock } from './listening';
import { untilGivenUp, type Handlers, type InHand } from './serve';
import type { Heard } from './listening';

const NOTHING = new Float32Array(0);

/** What blocks of sound bring. */
interface Brought {
	readonly events: readonly ListenerEvent[];
	readonly found: readonly KeptStrike[];
	readonly pairs: readonly KeptPair[];
}

/** Blocks of sound as they come in: what they bring, with gaps between them made good. */
class BlockStream {
	private keeper!: StrikeKeeper;
	private pairs: PairKeeper | undefined;
	private seconds = 0;
	/** The sound card's count that the next block should begin with. */
	private next: number | undefined;

	constructor(
		private readonly listener: Listener,
		private readonly inharmonicityAt: (note: number) => number,
		/** The rate that the sound card has now. */
		private readonly rate: () => number,
		private readonly keepsPairs: boolean
	) {
		this.keepAnew();
	}

	/** The clock runs through; the sound kept so far is not joined to what comes. */
	keepAnew(): void {
		this.keeper = new StrikeKeeper(this.rate(), this.inharmonicityAt, this.seconds);
		if (this.keepsPairs) this.pairs = new PairKeeper(this.rate(), this.seconds);
	}

	take({ from, samples }: SoundBlock): Brought {
		const lost = this.next === undefined ? 0 : from - this.next;
		if (lost > 0) {
			const broken = this.keep(NOTHING, this.listener.lose(lost));
			this.seconds += lost / this.rate();
			this.keepAnew();
			const { events, found, pairs } = this.takeNext(from, samples);
			return {
				events: [...broken.events, ...events],
				found: [...broken.found, ...found],
				pairs: [...broken.pairs, ...pairs]
			};
		}
		return this.takeNext(from, samples);
	}

	private takeNext(from: number, samples: Float32Array): Brought {
		this.next = from + samples.length;
		const brought = this.keep(samples, this.listener.push(samples, this.rate()));
		this.seconds += samples.length / this.rate();
		return brought;
	}

	private keep(samples: Float32Array, events: readonly ListenerEvent[]): Brought {
		return { events, found: this.keeper.push(samples, events), pairs: this.pairs?.push(samples, events) ?? [] };
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

	function listen(
		{ setup, samples, live, strikes, pairs }: ListenJob,
		{ signal, tell }: InHand<Heard>
	): Promise<never> {
		said = rate = setup.sampleRate;
		const strings = expectedStrings(setup);
		const opened = (listener = createListener({ sampleRate: rate, strings, habits: setup.habits }));
		const stream = new BlockStream(opened, strings.inharmonicityAt, () => rate, pairs !== undefined);
		restart = () => stream.keepAnew();
		const backlog = new Backlog();
		const queue = new Queue((block, samplesWaiting) => {
			const catching = live ? backlog.see(samplesWaiting / rate) : 'up';
			opened.spare(catching !== 'up');
			if (catching === 'skipping') return queue.clear();
			gather?.(block.samples);
			const { events, found, pairs: kept } = stream.take(block);
			for (const strike of found) strikes?.postMessage(strike, [strike.samples.buffer]);
			for (const pair of kept) pairs?.postMessage(pair, [pair.samples.buffer]);
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
