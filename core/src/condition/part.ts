/**
 * What stands in the way of adding tension: nothing until it is repaired; nothing until somebody has answered for it; or a
 * way of working that goes with it.
 */
export type GateKind = 'stop' | 'hold' | 'procedure';

export interface Grade {
	readonly id: string;
	/** In words, as it is said of the part. */
	readonly words: string;
	readonly looks: 'sound' | 'watch' | 'bad';
	readonly gate?: GateKind;
	/** What follows for the work, in a sentence. */
	readonly so?: string;
}

/** A part that is looked at on arrival. */
export interface Part {
	readonly id: string;
	readonly name: string;
	/** What to look for. */
	readonly look: string;
	readonly grades: readonly Grade[];
}

/** @param so what follows for the work */
export const grade = (id: string, words: string, looks: Grade['looks'], gate?: GateKind, so?: string): Grade => ({
	...{ id, words, looks },
	...(gate && { gate }),
	...(so && { so })
});
export const SOUND = grade('sound', 'Sound', 'sound');

/** Every instrument stands in one. */
export const ROOM: Part = {
	id: 'room',
	name: 'The room',
	look: 'Heater, window, outer wall, humidity.',
	grades: [SOUND, grade('watch', 'Unkind to it', 'watch')]
};
