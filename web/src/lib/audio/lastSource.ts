export type SoundSource = 'microphone' | 'simulated';

const SOURCE = 'fendrel.source';
const DEVICE = 'fendrel.microphone';

/** The source that this browser used last, and which microphone. */
export function lastSource(): { readonly source: SoundSource; readonly device: string | undefined } {
	const source = localStorage.getItem(SOURCE) === 'microphone' ? 'microphone' : 'simulated';
	return { source, device: localStorage.getItem(DEVICE) ?? undefined };
}

export function keepSource(source: SoundSource, device: string | undefined): void {
	localStorage.setItem(SOURCE, source);
	if (device) localStorage.setItem(DEVICE, device);
	else localStorage.removeItem(DEVICE);
}
