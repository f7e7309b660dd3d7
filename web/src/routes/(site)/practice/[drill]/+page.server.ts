import { DEFAULT_EAR, drillOf, handOf, setIn, USUAL_BANDS, type DrillRegister } from '@fendrel/core';
import { schoolAsked } from '$lib/practice/bearingsAsked';
import { conditionsAsked } from '$lib/practice/conditions';
import { isHeardBy, recentTrials, satIn, type Sat } from '$lib/practice/progress';
import { signedInOf } from '$lib/server/auth/guard';
import { settingsOf } from '$lib/server/db/stores/accounts';
import { earOf, sittingsOf } from '$lib/server/db/stores/sittings';
import { orNotFound } from '$lib/server/find';
import { loadTuning } from '$lib/server/tuning/choice';
import { loadListened } from '$lib/server/tuning/listened';
import { choiceName, orTypical, type TuningChoice } from '$lib/tuning/choice';
import type { PageServerLoad } from './$types';

/** How somebody moves strings: from pairs, sizes that were set, and unisons. */
function hand(sat: readonly Sat[]) {
	const of = (drill: string) => setIn(recentTrials(sat.filter((each) => each.drill === drill)));
	return handOf([...of('pair').flatMap(({ moves = [] }) => moves), ...of('apart')], of('stillness'));
}

export const load = (async ({ locals, params, url }) => {
	const { workshopId, userId } = signedInOf(locals);
	const drill = orNotFound(drillOf(params.drill), 'drill');
	const asked = Object.fromEntries(url.searchParams);
	const register: DrillRegister = drill.registers.find(({ id }) => id === asked.register) ?? drill.registers[0];
	const has = ({ lowest, highest }: Pick<TuningChoice, 'lowest' | 'highest'>) =>
		lowest <= register.lowest - drill.reach.below && highest >= register.highest + drill.reach.above;
	const [sat, tuning, ear, { examination = USUAL_BANDS }] = await Promise.all([
		sittingsOf(userId),
		loadTuning(workshopId, asked),
		earOf(userId),
		settingsOf(workshopId)
	]);
	const { choice, standsInFor } = orTypical(tuning, has);
	// No keyboard of its kind reaches so far.
	const tuned = has(choice)
		? { choice, standsInFor }
		: { choice: await loadTuning(workshopId, { kind: 'upright' }), standsInFor: choiceName(tuning) };
	const isHeard = asked.by === 'microphone' && isHeardBy(drill);
	return {
		...{ drill: drill.id, register: register.id, school: schoolAsked(asked.school) },
		conditions: conditionsAsked(asked),
		listened: isHeard ? await loadListened(workshopId, tuned.choice) : undefined,
		...{ earlier: recentTrials(satIn(sat, drill.id, register.id)), hand: hand(sat) },
		...{ ear: ear ?? DEFAULT_EAR, bands: examination },
		...tuned
	};
}) satisfies PageServerLoad;
