/** What stands in the way of sound. */
export type SoundFault =
	/** The page was not opened by https or on localhost. */
	| 'insecure'
	| 'not allowed'
	| 'none connected'
	/** The one used last is not there. */
	| 'gone'
	| 'held by another'
	| 'did not start'
	| 'not opened'
	/** It went away while it was in use. */
	| 'lost'
	/** The device slept, or something else took its sound, and what sounded meanwhile was not heard. */
	| 'slept'
	/** Perfect digital silence: muted, mostly. */
	| 'silent'
	/** The browser could not start its sound at all. */
	| 'no sound';

/** A fault that was expected to happen now and then. */
export class SoundFailure extends Error {
	constructor(
		readonly fault: SoundFault,
		options?: ErrorOptions
	) {
		super(fault, options);
	}
}
