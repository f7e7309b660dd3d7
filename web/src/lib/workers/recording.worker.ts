import { createRecordingListener } from '@fendrel/core';
import decode from 'audio-decode';
import audioType from 'audio-type';
import { expectedStrings } from '$lib/tuning/listeningSetup';
import type { RecordingTasks } from './recording';
import { serve } from './serve';

/** Enough to tell any kind of file by what it begins with. */
const HEAD_BYTES = 8192;
/** An hour of stereo at 96 kHz and 24 bits is two gigabytes; nobody surveys so long. */
const MOST_BYTES = 2 ** 31;
const LEAST_RATE = 16_000;

serve<RecordingTasks>({
	async read({ file, setup: { habits, ...setup }, strings }, { signal, tell, pause }) {
		if (file.size === 0) return 'empty';
		if (file.size > MOST_BYTES) return 'too big';
		const format = audioType(new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer()));
		if (!format) return 'unknown';
		let bytes = 0;
		let seconds = 0;
		const counted = file.stream().pipeThrough(
			new TransformStream<Uint8Array, Uint8Array>({
				transform(chunk, controller) {
					bytes += chunk.length;
					controller.enqueue(chunk);
				}
			})
		);
		const listener = createRecordingListener({ strings: expectedStrings(setup), habits }, strings);
		let channel: number | undefined;
		let problem: 'broken' | 'unknown' | 'coarse' | undefined;
		try {
			for await (const { channelData, sampleRate } of decode(counted, format)) {
				if (sampleRate < LEAST_RATE) {
					problem = 'coarse';
					break;
				}
				// One microphone, and the same to the end: a mixture of two cancels some partials.
				channel ??= loudest(channelData);
				const samples = channelData[channel ?? 0] ?? channelData[0];
				seconds += samples.length / sampleRate;
				tell({ share: bytes / file.size, seconds, found: listener.push(samples, sampleRate) });
				await pause();
			}
		} catch {
			signal.throwIfAborted();
			problem = seconds > 0 ? 'broken' : 'unknown';
		}
		if (problem !== 'coarse') tell({ share: 1, seconds, found: listener.end() });
		return problem ?? (seconds === 0 ? 'empty' : undefined);
	}
});

/** The channel with the most sound; undefined while all of them are silent. */
function loudest(channels: readonly Float32Array[]): number | undefined {
	const powers = channels.map((samples) => samples.reduce((sum, value) => sum + value * value, 0));
	const most = Math.max(...powers);
	return most > 0 ? powers.indexOf(most) : undefined;
}
