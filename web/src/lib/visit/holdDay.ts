import { dayName, keepDay, type KeptDay, type KeptStop } from '$lib/device/keptDay';
import { signedInHere } from '$lib/device/owner';
import { heldInstrument } from '$lib/device/shelf';
import { holdInstrument } from './begin';

/** Fetches a day's instruments, with history and plans, so that their visits can be begun where there is no network. */
export async function holdDay(stops: readonly KeptStop[], now = new Date()): Promise<Omit<KeptDay, 'owner'>> {
	await signedInHere();
	const ids = [...new Set(stops.flatMap(({ instruments }) => instruments.map(({ id }) => id)))];
	let [bytes, missing] = [0, 0];
	// One after the other: a telephone's network carries no more, and what is there already is there.
	for (const id of ids) {
		await holdInstrument(id);
		const held = await heldInstrument(id);
		if (held) bytes += JSON.stringify(held).length;
		else missing++;
	}
	const day = { day: dayName(now), at: now.getTime(), bytes, instruments: ids.length, missing, stops };
	return (await keepDay(day)) ? day : { ...day, missing: ids.length };
}
