import { drillOf } from '@fendrel/core';
import { recentTrials } from '$lib/practice/progress';
import { signedInOf } from '$lib/server/auth/guard';
import { sittingsOf } from '$lib/server/db/stores/sittings';
import { orNotFound } from '$lib/server/find';
import { loadTuning } from '$lib/server/tuning/choice';
import { choiceName, orTypical, type TuningChoice } from '$lib/tuning/choice';
import type { PageServerLoad } from './$types';

/** Notes above the highest of a register that a trial may sound. */
const ABOVE = 12;

export const load = (async ({ locals, params, url }) => {
	const { workshopId, userId } = signedInOf(locals);
	const drill = orNotFound(drillOf(params.drill), 'drill');
	const asked = Object.fromEntries(url.searchParams);
	const register = drill.registers.find(({ id }) => id === asked.register) ?? drill.registers[0];
	const has = ({ lowest, highest }: Pick<TuningChoice, 'lowest' | 'highest'>) =>
		lowest <= register.lowest && highest >= register.highest + ABOVE;
	const [sat, tuning] = await Promise.all([sittingsOf(userId), loadTuning(workshopId, asked)]);
	const { choice, standsInFor } = orTypical(tuning, has);
	const before = sat.filter((each) => each.drill === drill.id && each.register === register.id);
	return {
		...{ drill: drill.id, register: register.id, earlier: recentTrials(before) },
		// No keyboard of its kind reaches so far.
		...(has(choice)
			? { choice, standsInFor }
			: { choice: await loadTuning(workshopId, { kind: 'upright' }), standsInFor: choiceName(tuning) })
	};
}) satisfies PageServerLoad;
