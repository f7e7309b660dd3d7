import { createListener, hz, type Listener } from '@fendrel/core';
import { expose } from 'comlink';
import type { ListeningWorker } from './listening';

let listener: Listener | undefined;
let samples: MessagePort | undefined;

const worker: ListeningWorker = {
	open({ sampleRate, lowest, highest, a4, inharmonicity }, port, onEvents) {
		samples?.close();
		const inharmonicityAt = (note: number) => inharmonicity[Math.min(Math.max(note, lowest), highest) - lowest];
		const opened = createListener({ sampleRate, strings: { lowest, highest, a4: hz(a4), inharmonicityAt } });
		listener = opened;
		samples = port;
		port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
			const events = opened.push(data);
			if (events.length) onEvents(events);
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
