import type { AttachmentKind } from '@fendrel/core';

/** What may be attached, told by the bytes that a file begins with: what it calls itself counts for nothing. */
const KINDS: readonly {
	readonly type: string;
	readonly kind: AttachmentKind;
	readonly at: number;
	readonly begins: readonly number[];
}[] = [
	{ type: 'image/jpeg', kind: 'photo', at: 0, begins: [0xff, 0xd8, 0xff] },
	{ type: 'audio/webm', kind: 'sound', at: 0, begins: [0x1a, 0x45, 0xdf, 0xa3] },
	{ type: 'audio/ogg', kind: 'sound', at: 0, begins: [...'OggS'].map((letter) => letter.charCodeAt(0)) },
	{ type: 'audio/wav', kind: 'sound', at: 8, begins: [...'WAVE'].map((letter) => letter.charCodeAt(0)) },
	{ type: 'audio/mp4', kind: 'sound', at: 4, begins: [...'ftyp'].map((letter) => letter.charCodeAt(0)) }
];

/** Bytes that an attachment may have: photos are made so small on the device, and a sound of some seconds is smaller. */
export const MOST_BYTES = 256 * 1024;

/** @returns undefined when it is nothing that may be attached */
export function attachmentKind(
	bytes: Uint8Array
): { readonly type: string; readonly kind: AttachmentKind } | undefined {
	return KINDS.find(({ at, begins }) => begins.every((byte, i) => bytes[at + i] === byte));
}
