import type { Hz } from '../../units/quantity';
import type { LevelSlice } from './onset';
import type { ListenerEvent } from '../events';

const EVERY_SECONDS = 0.1;
const QUIET_DB = -120;

/** How loud it is, told ten times a second. */
export class LevelReport {
	private since = 0;
	private loudest = QUIET_DB;
	private clipped = false;

	/** Takes a slice's level; gives what is to be told, when it is time. @param hum mains frequency that hums, in Hz */
	add(at: number, level: LevelSlice, hum: Hz | undefined): ListenerEvent | undefined {
		this.loudest = Math.max(this.loudest, level.db);
		this.clipped ||= level.clipped;
		if (at - this.since < EVERY_SECONDS) return undefined;
		const { loudest, clipped } = this;
		this.since = at;
		this.loudest = QUIET_DB;
		this.clipped = false;
		return { kind: 'level', at, level: loudest, noise: level.noiseDb, clipped, hum };
	}
}
