import { createListener, measureReference, StrikeKeeper, type Listener } from '@fendrel/core';
import { expose, transfer } from 'comlink';
import { expectedStrings, type ListeningWorker } from './listening';

let listener: Listener | undefined;
let port: MessagePort | undefined;
let said = 0;
let rate = 0;
let restart = () => {};
let gathering:
	{ readonly samples: Float32Array; count: number; readonly full: (samples: Float32Array) => void } | undefined;

function gather(block: Float32Array): void {
	if (!gathering) return;
	const { samples, count, full } = gathering;
	const take = Math.min(block.length, samples.length - count);
	samples.set(block.subarray(0, take), count);
	gathering.count += take;
	if (gathering.count < samples.length) return;
	gathering = undefined;
	full(samples);
}

const worker: ListeningWorker = {
	open(setup, samples, onHeard) {
		port?.close();
		said = rate = setup.sampleRate;
		const strings = expectedStrings(setup);
		const opened = createListener({ sampleRate: rate, strings, habits: setup.habits });
		let seconds = 0;
		let keeper = new StrikeKeeper(rate, strings.inharmonicityAt);
		restart = () => (keeper = new StrikeKeeper(rate, strings.inharmonicityAt, seconds));
		listener = opened;
		port = samples;
		port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
			gather(data);
			const events = opened.push(data, rate);
			const strikes = keeper.push(data, events);
			const sounds = strikes.map(({ samples: { buffer } }) => buffer);
			if (events.length || strikes.length) onHeard(events, transfer(strikes, sounds));
			seconds += data.length / rate;
		};
	},
	expect(due) {
		listener?.expect(due);
	},
	attend(habits) {
		listener?.attend(habits);
	},
	correct(sampleRate) {
		if (sampleRate === rate) return;
		rate = sampleRate;
		restart();
	},
	async reference(known, seconds) {
		const samples = await new Promise<Float32Array>((full) => {
			gathering = { samples: new Float32Array(Math.round(seconds * said)), count: 0, full };
		});
		return measureReference(samples, said, known);
	},
	close() {
		port?.close();
		port = undefined;
		listener = undefined;
	}
};

expose(worker);
