import { hearChord, hearKeys, hz, knownChords, type KeptPair, type KnownKeyboard } from '@fendrel/core';
import type { AskJob, KeyboardTable, PairTasks } from './pairs';
import { untilGivenUp, type Handlers } from './serve';

function known({ lowest, highest, a4, strings, counts }: KeyboardTable): KnownKeyboard {
	const place = (note: number) => Math.min(Math.max(note, lowest), highest) - lowest;
	return {
		...{ lowest, highest, a4: hz(a4) },
		thought: (note) => {
			const { flexiblePitch, inharmonicity } = strings[place(note)];
			return { flexiblePitch: hz(flexiblePitch), inharmonicity };
		},
		strings: (note) => counts[place(note)]
	};
}

export function pairJobs(): Handlers<PairTasks> {
	let asked: AskJob | undefined;
	return {
		ask(job) {
			asked = job;
		},
		hear(port, { signal, tell }) {
			let newest: KeptPair | undefined;
			const hear = () => {
				const kept = newest;
				newest = undefined;
				if (!kept || !asked || signal.aborted) return;
				const keyboard = known(asked.keyboard);
				tell(asked.chords ? hearChord(kept, keyboard, knownChords(keyboard)) : hearKeys(kept, keyboard, asked.asked));
			};
			port.onmessage = ({ data }: MessageEvent<KeptPair>) => {
				const waits = newest !== undefined;
				newest = data;
				// What has come in meanwhile takes its place first.
				if (!waits) setTimeout(hear);
			};
			signal.addEventListener('abort', () => port.close(), { once: true });
			return untilGivenUp(signal);
		}
	};
}
