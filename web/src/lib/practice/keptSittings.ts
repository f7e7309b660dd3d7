import { send } from '$lib/device/send';
import type { SentSitting } from './sittingFormat';

/*
 * Sittings as they go on, on this device: every answer is there at once, and the server has them when it is there.
 */

const KEY = 'fendrel.sittings';
interface Kept {
	readonly userId: string;
	readonly sitting: SentSitting;
}

function read(): Record<string, Kept> {
	try {
		return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, Kept>;
	} catch {
		return {};
	}
}
function write(all: Record<string, Kept>): void {
	try {
		localStorage.setItem(KEY, JSON.stringify(all));
	} catch {
		// A browser that keeps nothing: they go out as they are made.
	}
}

export function keepHere(userId: string, id: string, sitting: SentSitting): void {
	write({ ...read(), [id]: { userId, sitting } });
}

/** Hands over what somebody's sittings have come to. @returns why something still waits; undefined: nothing does */
export async function handOverSittings(userId: string): Promise<string | undefined> {
	let waits: string | undefined;
	for (const [id, kept] of Object.entries(read())) {
		if (kept.userId !== userId) continue;
		const answer = await send('PUT', `/api/practice/sittings/${id}`, {
			...kept.sitting,
			sentAt: new Date().toISOString()
		});
		if ('problem' in answer) {
			waits = answer.problem;
			continue;
		}
		const { [id]: now, ...others } = read();
		// It may have grown meanwhile.
		if (now?.sitting.trials.length === kept.sitting.trials.length) write(others);
	}
	return waits;
}
