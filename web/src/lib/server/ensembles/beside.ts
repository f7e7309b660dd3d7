import { centsBetween, equalHz, hz } from '@fendrel/core';
import { besideSchema, isStanding, standing, type BesideChoice, type Stands } from '$lib/ensembles/beside/beside';
import { getInstrument, isStrung, listInstruments } from '../db/stores/instruments';
import { lastSetOf, visitsOf } from '../db/stores/visits';
import { leftPitches } from '../visits/left';

const A440 = hz(440);

/** Two instruments that sound in one room, as an address names them, and what there is to choose from. */
export async function besideGround(workshopId: string, asked: Record<string, string>) {
	const [all, set] = await Promise.all([listInstruments(workshopId), lastSetOf(workshopId)]);
	const instruments = all
		.filter((instrument) => isStrung(instrument) && set.has(instrument.id))
		.map(({ id, name }) => ({ id, name }));
	const read = besideSchema.safeParse(asked);
	if (!read.success) {
		const wrong = new Set(read.error.issues.map(({ path }) => path[0]));
		const choice = besideSchema.parse(Object.fromEntries(Object.entries(asked).filter(([name]) => !wrong.has(name))));
		const problem = read.error.issues[0].message;
		return { instruments, choice, typed: asked, first: undefined, second: undefined, problem };
	}
	const choice = read.data;
	const [first, second] = await Promise.all(
		[choice.first, choice.second].map((id) => id && standsAs(workshopId, id, choice))
	);
	const problem =
		choice.first && choice.first === choice.second
			? 'These are the same instrument: choose another one for one of the two.'
			: [first, second].includes(null)
				? 'One of the two is not in your register, or nobody has set it yet.'
				: undefined;
	const known = problem ? [] : [first, second];
	return { instruments, choice, typed: asked, first: known[0] || undefined, second: known[1] || undefined, problem };
}

/** As it was left last. @returns null where there is no such instrument, or nobody has read how it was left */
async function standsAs(workshopId: string, id: string, choice: BesideChoice): Promise<Stands | null> {
	if (isStanding(id)) return standing(id, choice);
	const instrument = await getInstrument(workshopId, id);
	if (!instrument || !isStrung(instrument)) return null;
	const last = (await visitsOf(workshopId, id)).find(({ finishedAt }) => finishedAt);
	const left = last ? await leftPitches(workshopId, last.id) : [];
	if (left.length === 0) return null;
	const levels = left.map(({ note, pitch }) => [note, centsBetween(equalHz(note, A440), pitch)] as const);
	return { id, name: instrument.name, levels };
}
