declare module 'audio-type' {
	import type { Format } from 'audio-decode';
	/** The kind of sound file by what it begins with. */
	export default function audioType(head: Uint8Array): Format | undefined;
}
