/** A technician's own fork, as it was measured; kept on the device that measured it. */
export interface Fork {
	readonly pitch: number;
	readonly error: number;
	/** Degrees Celsius. */
	readonly temperature: number;
	/** Milliseconds since 1970. */
	readonly at: number;
}

const KEY = 'fendrel.fork';

/** What was kept; undefined where nothing was, or it cannot be read. */
export function keptFork(store: Pick<Storage, 'getItem'> = localStorage): Fork | undefined {
	try {
		const kept = JSON.parse(store.getItem(KEY) ?? 'null') as Fork | null;
		const figures = kept ? [kept.pitch, kept.error, kept.temperature, kept.at] : [];
		return kept && figures.every(Number.isFinite) ? kept : undefined;
	} catch {
		return undefined;
	}
}

/** @returns whether the device keeps it */
export function keepFork(
	fork: Fork | undefined,
	store: Pick<Storage, 'setItem' | 'removeItem'> = localStorage
): boolean {
	try {
		if (fork) store.setItem(KEY, JSON.stringify(fork));
		else store.removeItem(KEY);
		return true;
	} catch {
		return false;
	}
}
