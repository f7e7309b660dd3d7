import { noteName, type PlanVersion } from '@fendrel/core';
import type { Transaction } from 'sequelize';
import type { TakenCurve } from '$lib/record/record';
import { curvesAmong } from '../db/stores/curves';
import { getInstrument } from '../db/stores/instruments';
import { getTemperament } from '../db/stores/temperaments';

const NO_TEMPERAMENT = 'That temperament is no longer in the library. Choose another.';
const NO_CURVE = 'That curve is not one of this instrument’s. Choose another.';

/** Why a plan cannot be an instrument's, as a sentence; undefined when it can. */
export async function planProblem(
	workshopId: string,
	instrumentId: string,
	{ plan, curve }: { readonly plan: PlanVersion; readonly curve?: TakenCurve },
	transaction: Transaction
): Promise<string | undefined> {
	if (!(await getTemperament(workshopId, plan.temperamentId, transaction))) return NO_TEMPERAMENT;
	if (curve) {
		const { lowest, highest } = (await getInstrument(workshopId, instrumentId, transaction))!;
		const strange = Object.keys(curve.wish.held)
			.map(Number)
			.find((note) => note < lowest || note > highest);
		if (strange !== undefined) return `${noteName(strange)} is set by ear, but this keyboard does not have it.`;
	}
	if (plan.curveId === null || plan.curveId === curve?.id) return undefined;
	return (await curvesAmong(instrumentId, [plan.curveId], transaction)).length ? undefined : NO_CURVE;
}
