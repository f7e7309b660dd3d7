import { onEnd } from './lifetime';

/** Where sound runs: a context, begun when its nodes stand. */
export interface SoundClock {
	readonly context: BaseAudioContext;
	begin(): Promise<void>;
}

declare global {
	/** How much faster than real time simulated sound runs; journeys through the pages set it. 0: it stands still. */
	var fendrelPace: number | undefined;
}

/**
 * The sound card's own clock.
 * @param lifetime closes it
 * @param onHalt told once when it stands still: the device sleeps, or another program has taken its sound
 */
export function cardClock(lifetime: AbortSignal, onHalt: () => void): SoundClock {
	const context = new AudioContext({ latencyHint: 'interactive' });
	onEnd(lifetime, () => void context.close());
	const begin = async () => {
		await context.resume();
		const look = () => {
			if (lifetime.aborted || context.state === 'running') return;
			context.removeEventListener('statechange', look);
			onHalt();
		};
		context.addEventListener('statechange', look);
	};
	return { context, begin };
}

const RATE = 48_000;
/** Longer than anybody listens in a journey, however fast and on however slow a machine; the unused rest costs no memory. */
const LONGEST_SECONDS = 3600;
/** Sound goes on by so much at a time. */
const STEP_SECONDS = 0.05;
/** A clock that stands still is looked at that often. */
const LOOK_MS = 20;

/**
 * The same sound rendered in steps, as fast as `fendrelPace` says: what is heard does not depend on how busy the machine is.
 * @param onHalt told when it has come to its end
 */
export function pacedClock(lifetime: AbortSignal, onHalt: () => void): SoundClock {
	const context = new OfflineAudioContext(1, LONGEST_SECONDS * RATE, RATE);
	const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
	async function stepFrom(at: number): Promise<void> {
		const until = at + STEP_SECONDS;
		if (lifetime.aborted) return;
		if (until > LONGEST_SECONDS) return onHalt();
		const halt = context.suspend(until);
		if (at === 0) void context.startRendering();
		else void context.resume();
		await halt;
		await pause((1000 * STEP_SECONDS) / Math.max(globalThis.fendrelPace ?? 1, 1e-3));
		while (globalThis.fendrelPace === 0 && !lifetime.aborted) await pause(LOOK_MS);
		return stepFrom(until);
	}
	return { context, begin: async () => void stepFrom(0) };
}
