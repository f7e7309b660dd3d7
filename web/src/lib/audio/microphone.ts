/** A microphone connected to the ear. */
export interface Microphone {
	readonly label: string;
	readonly deviceId: string | undefined;
	stop(): void;
}

/** What is wrong with the microphone, as a sentence that says what to do. */
export class MicrophoneFault extends Error {}

const REFUSED = 'The browser may not use the microphone. Allow it in the address bar, then press Listen again.';
const WORDS: Record<string, string> = {
	NotAllowedError: REFUSED,
	SecurityError: REFUSED,
	NotFoundError: 'No microphone is connected. Plug one in and press Listen, or choose the simulated instrument.',
	OverconstrainedError: 'The microphone used last time is gone. Choose another one and press Listen.',
	NotReadableError: 'Another program holds the microphone. Close it there, then press Listen again.',
	AbortError: 'The microphone did not start. Unplug it, plug it in again, then press Listen.'
};

/**
 * Connects a microphone, with all of the browser's voice processing off: it would bend what is measured.
 * @param onLost called once when the device goes away while it is in use
 * @throws MicrophoneFault
 */
export async function openMicrophone(
	context: AudioContext,
	input: AudioNode,
	deviceId: string | undefined,
	onLost: (fault: MicrophoneFault) => void
): Promise<Microphone> {
	if (!navigator.mediaDevices?.getUserMedia)
		throw new MicrophoneFault('A microphone needs a secure address: open Fendrel by https or on localhost.');
	let stream: MediaStream;
	try {
		stream = await navigator.mediaDevices.getUserMedia({
			audio: {
				deviceId: deviceId ? { exact: deviceId } : undefined,
				echoCancellation: false,
				noiseSuppression: false,
				autoGainControl: false
			}
		});
	} catch (error) {
		const name = error instanceof DOMException ? error.name : '';
		throw new MicrophoneFault(
			WORDS[name] ?? 'The microphone could not be opened. Check its connection and press Listen again.'
		);
	}
	const [track] = stream.getAudioTracks();
	const source = context.createMediaStreamSource(stream);
	source.connect(input);
	let stopped = false;
	const stop = () => {
		stopped = true;
		source.disconnect();
		for (const each of stream.getTracks()) each.stop();
	};
	track.addEventListener('ended', () => {
		if (stopped) return;
		stop();
		onLost(new MicrophoneFault('The microphone went away. What was read is kept; plug it in and press Listen.'));
	});
	return { label: track.label, deviceId: track.getSettings().deviceId, stop };
}

/** Microphones by name; names are empty until the browser has been allowed to use one. */
export async function listMicrophones(): Promise<{ readonly id: string; readonly label: string }[]> {
	const devices = (await navigator.mediaDevices?.enumerateDevices?.()) ?? [];
	return devices
		.filter(({ kind, deviceId }) => kind === 'audioinput' && deviceId !== '')
		.map(({ deviceId, label }, i) => ({ id: deviceId, label: label || `Microphone ${i + 1}` }));
}
