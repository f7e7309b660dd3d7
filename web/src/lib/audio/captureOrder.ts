/** Samples from one count of the sound card to another. */
export interface SoundGap {
	readonly from: number;
	readonly to: number;
}

/** What the node is told: where its blocks go, and which of them are lost on purpose. */
export type CaptureOrder = { readonly out: MessagePort } | { readonly gap: SoundGap };
