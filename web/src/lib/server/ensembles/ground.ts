import { listTemperaments } from '../db/stores/temperaments';
import { mayJoin } from './mayJoin';

/** What an ensemble is chosen from. */
export async function ensembleGround(workshopId: string) {
	const [temperaments, instruments] = await Promise.all([listTemperaments(workshopId), mayJoin(workshopId)]);
	return { temperaments, instruments };
}
