import type { StrikeFrames } from './strikeFrames';

interface Struck {
	/** Seconds since the listener began at which the strike fell. */
	readonly struck: number;
	/** What the level has fallen from, in decibels. */
	peakDb: number;
	/** Count of samples at which the next frame is due. */
	nextFrame: number;
	/** The sound was too loud for the microphone or the sound card. */
	clipped: boolean;
}

interface Framed extends Struck {
	readonly strike: StrikeFrames;
	/** Another note that it may be as well. */
	readonly or: number | undefined;
	/** Count of samples at which the last frame ended; undefined before the first. */
	lastFrameAt: number | undefined;
}

/** Nothing has been struck, or it has died away. */
export interface Quiet {
	readonly is: 'quiet';
}
/** Struck; which note it is does not stand yet. */
export interface Recognising extends Struck {
	readonly is: 'recognising';
}
/** The note stands; its frames are gathered until it can be read. */
export interface Gathering extends Framed {
	readonly is: 'gathering';
}
/** Read: where its pitch goes while it sounds on is told, and nothing else comes of it. */
export interface Following extends Framed {
	readonly is: 'following';
}
/** Nothing comes of it any more; its end is waited for. */
export interface Refused extends Struck {
	readonly is: 'refused';
}

/** What a listener is at, from one strike to the next. */
export type Sounding = Quiet | Recognising | Gathering | Following | Refused;

export const QUIET: Quiet = { is: 'quiet' };
