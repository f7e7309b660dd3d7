import { WaveFile } from 'wavefile';
import type { Track } from '$lib/audio/player.svelte';
import { MOST_BYTES } from '$lib/record/attachmentKinds';

/** Bytes of a sound file's head, and more. */
const HEAD = 1024;
const FULL = 32_767;

/** A strike as a file: sixteen bits, from its beginning, as long as an attachment may be. */
export function soundFile({ samples, sampleRate }: Track): Blob {
	const most = Math.floor((MOST_BYTES - HEAD) / 2);
	const loudest = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 1e-6);
	const scale = FULL * Math.min(1, 0.9 / loudest);
	const whole = Int16Array.from(samples.subarray(0, most), (value) => Math.round(scale * value));
	const file = new WaveFile();
	file.fromScratch(1, Math.round(sampleRate), '16', whole);
	return new Blob([file.toBuffer() as Uint8Array<ArrayBuffer>], { type: 'audio/wav' });
}
