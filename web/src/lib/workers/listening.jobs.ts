import {
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

export function listeningJobs(): Handlers<ListeningTasks> {
	let listener: Listener | undefined;
	let said = 0;
	let rate = 0;
	let restart = () => {};
	let gather: ((block: Float32Array) => void) | undefined;

	function listen({ setup, samples, strikes }: ListenJob, { signal, tell }: InHand<Heard>): Promise<never> {
		said = rate = setup.sampleRate;
		const strings = expectedStrings(setup);
		const opened = (listener = createListener({ sampleRate: rate, strings, habits: setup.habits }));
		let seconds = 0;
		let keeper = new StrikeKeeper(rate, strings.inharmonicityAt);
		restart = () => (keeper = new StrikeKeeper(rate, strings.inharmonicityAt, seconds));
		let next: number | undefined;
		samples.onmessage = ({ data: { from, samples: block } }: MessageEvent<SoundBlock>) => {
			gather?.(block);
			const events: ListenerEvent[] = [];
			const found: KeptStrike[] = [];
			if (next !== undefined && from > next) {
				const lost = from - next;
				const brokenOff = opened.lose(lost);
				found.push(...keeper.push(NOTHING, brokenOff));
				events.push(...brokenOff);
				seconds += lost / rate;
				restart();
			}
			next = from + block.length;
			const heard = opened.push(block, rate);
			found.push(...keeper.push(block, heard));
			events.push(...heard);
			for (const strike of found) strikes?.postMessage(strike, [strike.samples.buffer]);
			if (events.length || found.length) tell({ events, kept: found.map(({ reading }) => reading) });
			seconds += block.length / rate;
		};
		signal.addEventListener('abort', () => samples.close(), { once: true });
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
