import { SoundFailure, type SoundFault } from './faults';
import { openStream } from './microphone';

/** A few seconds are enough to know a noise again. */
const LONGEST_MS = 8000;
/** Bits per second: speech and a noise in the action stay what they are. */
const RATE = 64_000;

/** Some seconds of sound, recorded as the browser records them. */
export class SoundNote {
	state = $state<'idle' | 'opening' | 'recording'>('idle');
	fault = $state<SoundFault | undefined>();
	private recorder: MediaRecorder | undefined;
	private readonly lifetime = new AbortController();

	/** @returns undefined when nothing was recorded */
	async record(): Promise<Blob | undefined> {
		if (this.state !== 'idle') return undefined;
		this.state = 'opening';
		this.fault = undefined;
		let stream: MediaStream;
		try {
			stream = await openStream(undefined);
		} catch (error) {
			this.fault = error instanceof SoundFailure ? error.fault : 'not opened';
			this.state = 'idle';
			return undefined;
		}
		const release = () => stream.getTracks().forEach((track) => track.stop());
		// Whoever left the page while it was being opened records nothing.
		if (this.lifetime.signal.aborted) {
			release();
			this.state = 'idle';
			return undefined;
		}
		const parts: Blob[] = [];
		const recorder = new MediaRecorder(stream, { audioBitsPerSecond: RATE });
		this.recorder = recorder;
		recorder.ondataavailable = ({ data }) => parts.push(data);
		const ended = new Promise<void>((resolve) => (recorder.onstop = () => resolve()));
		recorder.start();
		this.state = 'recording';
		const longest = setTimeout(() => this.stop(), LONGEST_MS);
		await ended;
		clearTimeout(longest);
		release();
		this.recorder = undefined;
		this.state = 'idle';
		const bytes = new Blob(parts, { type: recorder.mimeType.split(';')[0] });
		return bytes.size > 0 ? bytes : undefined;
	}

	stop(): void {
		if (this.recorder?.state === 'recording') this.recorder.stop();
	}

	/** Ends it for good; what was recorded by then is kept. */
	close(): void {
		this.lifetime.abort();
		this.stop();
	}
}
