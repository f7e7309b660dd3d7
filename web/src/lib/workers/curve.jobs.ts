import { cents, closestCurve, curveErrors } from '@fendrel/core';
import { solverFor, TOP_RANGE, wishOf, type CurveBasis } from '$lib/tuning/curve';
import { stringsOfInstrument } from '$lib/tuning/strings';
import type { CurveTasks } from './curve';
import type { Handlers } from './serve';

/** The same instrument comes again and again, as a copy each time: what was worked out for it is found by what it says. */
function instrumentKeeper() {
	let kept: { readonly as: string; readonly basis: CurveBasis } | undefined;
	return (basis: CurveBasis): CurveBasis => {
		const as = JSON.stringify(basis);
		if (kept?.as !== as) kept = { as, basis };
		return kept.basis;
	};
}

export function curveJobs(): Handlers<CurveTasks> {
	const known = instrumentKeeper();
	return {
		async band({ basis, wish }, { pause }) {
			await pause();
			const instrument = known(basis);
			return curveErrors(solverFor(instrument), wishOf(wish), stringsOfInstrument(instrument));
		},
		closest({ basis, standing }) {
			const found = closestCurve(
				solverFor(known(basis)),
				standing.map(({ note, cents: value }) => ({ note, deviation: cents(value) }))
			);
			if (!found) return undefined;
			const { wish, left, notes, stray } = found;
			const top = Math.round(2 * wish.topStretch) / 2;
			return {
				wish: {
					lead: wish.priority.id,
					with: wish.blend?.with.id ?? null,
					share: Math.round(100 * (wish.blend?.share ?? 0)) / 100,
					top: Math.min(Math.max(top, TOP_RANGE.lowest), TOP_RANGE.highest),
					held: {}
				},
				...{ left, notes, stray }
			};
		}
	};
}
