import type { LevelWatch } from '$lib/audio/levelWatch.svelte';
import type { Listening } from '$lib/audio/listening.svelte';

/** A background louder than this hides the partials of soft notes. */
const LOUD_ROOM_DB = -42;
/** Strikes that stand less than this above the background show few partials. */
const FAINT_ABOVE_DB = 22;
/** A strike that is so quiet leaves most of the sound card's range unused. */
const FAINT_DB = -52;

export interface RoomState {
	readonly title: string;
	readonly detail: string | undefined;
	/** What to change, when something should be. */
	readonly advice: string | undefined;
}

/** The sound that comes in, in words. */
export function roomState({
	state,
	source,
	behind,
	levels: { noise, clipped, hum, strikeLevel }
}: Pick<Listening, 'state' | 'source' | 'behind'> & {
	readonly levels: Pick<LevelWatch, 'noise' | 'clipped' | 'hum' | 'strikeLevel'>;
}): RoomState {
	if (state === 'off') return { title: 'Not listening', detail: undefined, advice: undefined };
	if (state === 'opening') return { title: 'Opening the sound', detail: undefined, advice: undefined };
	const simulated = source === 'simulated';
	if (behind)
		return {
			title: 'Listening',
			detail: 'behind the sound',
			advice:
				'This device does not keep up with the sound: strings are read, but not followed while they sound on. Close what else is running on it.'
		};
	if (clipped)
		return {
			title: 'Too loud',
			detail: undefined,
			advice: 'The sound is clipping. Move the microphone away or turn its level down.'
		};
	if (hum !== undefined)
		return {
			title: 'Listening',
			detail: `hum at ${hum} Hz`,
			advice: `The mains hum at ${hum} Hz. Unplug a lamp or charger nearby, or move the microphone away from it.`
		};
	if (noise > LOUD_ROOM_DB)
		return {
			title: 'Listening',
			detail: 'room loud',
			advice: 'The room is loud. Move the microphone closer to the strings, or wait for quiet.'
		};
	if (strikeLevel !== undefined && (strikeLevel < noise + FAINT_ABOVE_DB || strikeLevel < FAINT_DB))
		return {
			title: 'Listening',
			detail: 'strikes faint',
			advice: 'The strikes are faint. Move the microphone closer to the strings, or turn its level up.'
		};
	return {
		title: 'Listening',
		detail: simulated ? 'simulated instrument' : 'microphone, room quiet',
		advice: undefined
	};
}
