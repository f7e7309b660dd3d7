import { createListener, hz, StrikeKeeper, type Listener } from '@fendrel/core';
import { expose, transfer } from 'comlink';
import type { ListeningWorker } from './listening';

let listener: Listener | undefined;
let samples: MessagePort | undefined;

const worker: ListeningWorker = {
	open({ sampleRate, lowest, highest, a4, inharmonicity }, port, onEvents, onStrike) {
		samples?.close();
		const inharmonicityAt = (note: number) => inharmonicity[Math.min(Math.max(note, lowest), highest) - lowest];
		const opened = createListener({ sampleRate, strings: { lowest, highest, a4: hz(a4), inharmonicityAt } });
		const keeper = new StrikeKeeper(sampleRate);
		listener = opened;
		samples = port;
		port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
			const events = opened.push(data);
			if (events.length) onEvents(events);
			for (const strike of keeper.push(data, events)) onStrike(transfer(strike, [strike.samples.buffer]));
		};
	},
	expect(due) {
		listener?.expect(due);
	},
	close() {
		samples?.close();
		samples = undefined;
		listener = undefined;
	}
};

expose(worker);
