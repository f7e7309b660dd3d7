import type { SoundFault } from '$lib/audio/faults';

/** What stands in the way of sound, and what to do about it. */
export const FAULT_WORDS: Record<SoundFault, string> = {
	insecure: 'A microphone needs a secure address: open Fendrel by https or on localhost.',
	'not allowed': 'The browser may not use the microphone. Allow it in the address bar, then press Listen again.',
	'none connected': 'No microphone is connected. Plug one in and press Listen, or choose the simulated instrument.',
	gone: 'The microphone used last time is gone. Choose another one and press Listen.',
	'held by another': 'Another program holds the microphone. Close it there, then press Listen again.',
	'did not start': 'The microphone did not start. Unplug it, plug it in again, then press Listen.',
	'not opened': 'The microphone could not be opened. Check its connection and press Listen again.',
	lost: 'The microphone went away. What was read is kept; plug it in and press Listen.',
	slept: 'The device slept: what sounded meanwhile was not heard. It listens again; strike once more.',
	silent: 'The microphone is silent: it may be muted. Unmute it, or choose another one.',
	'no sound': 'The sound could not be started. Reload the page and press Listen again.'
};
