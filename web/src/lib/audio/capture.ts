import type { CaptureOrder } from './captureOrder';
import { onEnd } from './lifetime';
import captureUrl from './capture.worklet.ts?worker&url';

/** Whatever is connected to `input` comes out of `samples` in blocks, for whoever listens. */
export interface Capture {
	readonly input: AudioWorkletNode;
	readonly samples: MessagePort;
}

/** @param lifetime ends it */
export async function openCapture(context: BaseAudioContext, lifetime: AbortSignal): Promise<Capture> {
	await context.audioWorklet.addModule(captureUrl);
	lifetime.throwIfAborted();
	const input = new AudioWorkletNode(context, 'capture', {
		numberOfInputs: 1,
		numberOfOutputs: 0,
		channelCount: 1,
		channelCountMode: 'explicit'
	});
	const { port1, port2 } = new MessageChannel();
	input.port.postMessage({ out: port1 } satisfies CaptureOrder, [port1]);
	onEnd(lifetime, () => input.disconnect());
	return { input, samples: port2 };
}
