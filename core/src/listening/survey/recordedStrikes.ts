import { createListener, type ListenerOptions } from '../stream/listener';
import type { Refusal } from '../events';
import type { StringReading } from '../reading';
import { StrikeKeeper } from '../stream/strikeKeeper';
import { analyseUnison, type UnisonAnalysis } from '../closer/unison';

/** A strike in a recording. */
export type RecordedStrike =
	| {
			readonly at: number;
			readonly reading: StringReading;
			/** undefined when it died too soon for a closer look. */
			readonly analysis: UnisonAnalysis | undefined;
	  }
	| { readonly at: number; readonly refused: Refusal };

export interface RecordingListener {
	/** Takes the next samples; tells the strikes that are finished with. A sound at another rate may follow. */
	push(samples: Float32Array, sampleRate: number): RecordedStrike[];
	/** The recording is over: tells what was still sounding. */
	end(): RecordedStrike[];
}

/** Silence that lets the last note end as if its damper fell. */
const AFTER_SECONDS = 1;
const BLOCK_SECONDS = 0.05;
/** Silence before it: a recording may begin with the strike itself. */
const BEFORE_SECONDS = 0.1;
/** Out of that silence a room's background comes like a strike; what is refused there was none. */
const BEGINNING_SECONDS = 0.02;

/**
 * Listens to a recording piece by piece, as fast as it comes, with nothing expected.
 * @param strings left unmuted when it was made, 1 to 3
 */
export function createRecordingListener(
	options: Omit<ListenerOptions, 'sampleRate'>,
	strings: number
): RecordingListener {
	let rate: number | undefined;
	let seconds = 0;
	let listener: ReturnType<typeof createListener> | undefined;
	let keeper: StrikeKeeper | undefined;
	let struckFrom = 0;
	let pending: StringReading | undefined;

	/** A strike that was read but died too soon for a closer look. */
	const settle = (found: RecordedStrike[]) => {
		if (pending) found.push({ at: pending.struckAt - BEFORE_SECONDS, reading: pending, analysis: undefined });
		pending = undefined;
	};
	const pushBlock = (block: Float32Array, sampleRate: number, found: RecordedStrike[]) => {
		const events = listener!.push(block, sampleRate);
		for (const event of events) {
			// The refusal of a strike that has just ended comes before the next one.
			if (event.kind === 'refused' && struckFrom > BEGINNING_SECONDS)
				found.push({ at: event.at - BEFORE_SECONDS, refused: event.why });
			if (event.kind === 'strike') struckFrom = event.at - BEFORE_SECONDS;
			if (event.kind !== 'reading') continue;
			settle(found);
			pending = event.reading;
		}
		for (const { reading, string, samples, settledFrom } of keeper!.push(block, events)) {
			if (pending === reading) pending = undefined;
			const settled = samples.subarray(settledFrom);
			const analysis = analyseUnison({ samples: settled, sampleRate, string, strings });
			found.push({ at: reading.struckAt - BEFORE_SECONDS, reading, analysis });
		}
		if (events.some(({ kind }) => kind === 'strike' || kind === 'ended')) settle(found);
	};
	return {
		push(samples, sampleRate) {
			const found: RecordedStrike[] = [];
			if (sampleRate !== rate) {
				settle(found);
				const isFirst = listener === undefined;
				listener ??= createListener({ ...options, sampleRate });
				keeper = new StrikeKeeper(sampleRate, options.strings.inharmonicityAt, seconds);
				rate = sampleRate;
				if (isFirst) this.push(new Float32Array(Math.round(BEFORE_SECONDS * sampleRate)), sampleRate);
			}
			seconds += samples.length / sampleRate;
			const block = Math.round(BLOCK_SECONDS * sampleRate);
			for (let at = 0; at < samples.length; at += block) pushBlock(samples.subarray(at, at + block), sampleRate, found);
			return found;
		},
		end() {
			if (rate === undefined) return [];
			const found = this.push(new Float32Array(Math.round(AFTER_SECONDS * rate)), rate);
			settle(found);
			return found;
		}
	};
}
