import type { SounderId } from './sounder';

/** Where a string's pin was found: counted in its register's row from the left; the lowest key's usual pin is 0. */
export interface PinFound {
	readonly sounder: SounderId;
	readonly place: number;
}
