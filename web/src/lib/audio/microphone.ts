import { SoundFailure, type SoundFault } from './faults';
import { onEnd } from './lifetime';

const FAULTS: Record<string, SoundFault> = {
	NotAllowedError: 'not allowed',
	SecurityError: 'not allowed',
	NotFoundError: 'none connected',
	OverconstrainedError: 'gone',
	NotReadableError: 'held by another',
	AbortError: 'did not start'
};

/** @throws SoundFailure */
export async function openStream(deviceId: string | undefined): Promise<MediaStream> {
	if (!navigator.mediaDevices?.getUserMedia) throw new SoundFailure('insecure');
	try {
		return await navigator.mediaDevices.getUserMedia({
			audio: {
				deviceId: deviceId ? { exact: deviceId } : undefined,
				echoCancellation: false,
				noiseSuppression: false,
				autoGainControl: false
			}
		});
	} catch (error) {
		const name = error instanceof DOMException ? error.name : '';
		throw new SoundFailure(FAULTS[name] ?? 'not opened', { cause: error });
	}
}

/**
 * Connects a microphone, with all of the browser's voice processing off: it would bend what is measured.
 * @param lifetime closes it, also while it is being opened
 * @param onLost called once when the device goes away while it is in use
 * @returns the id of the device that was opened
 * @throws SoundFailure
 */
export async function openMicrophone(
	context: AudioContext,
	input: AudioNode,
	deviceId: string | undefined,
	lifetime: AbortSignal,
	onLost: () => void
): Promise<string | undefined> {
	const stream = await openStream(deviceId);
	onEnd(lifetime, () => stream.getTracks().forEach((track) => track.stop()));
	lifetime.throwIfAborted();
	const [track] = stream.getAudioTracks();
	const source = context.createMediaStreamSource(stream);
	source.connect(input);
	onEnd(lifetime, () => source.disconnect());
	track.addEventListener('ended', onLost, { once: true, signal: lifetime });
	return track.getSettings().deviceId;
}

/** Microphones by name; names are empty until the browser has been allowed to use one. */
export async function listMicrophones(): Promise<{ readonly id: string; readonly label: string }[]> {
	const devices = (await navigator.mediaDevices?.enumerateDevices?.()) ?? [];
	return devices
		.filter(({ kind, deviceId }) => kind === 'audioinput' && deviceId !== '')
		.map(({ deviceId, label }, i) => ({ id: deviceId, label: label || `Microphone ${i + 1}` }));
}
