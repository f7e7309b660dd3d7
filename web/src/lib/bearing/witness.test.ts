import { DEFAULT_EAR, temperamentById, type Edge, type HeardBeat } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { bearingGround, bearingPlanOn } from '$lib/tuning/bearingPlan';
import { checkWitness, keysAsked, setWitness } from './witness';

const ear = DEFAULT_EAR;
const basis = {
	...{ kind: 'upright' as const, lowest: 21, highest: 108, a4: 440, fork: 69, measured: [] },
	temperament: temperamentById('equal')
};
const plan = bearingPlanOn(bearingGround(basis), { basis, school: 'circle', start: 69, low: 53, high: 65, ear });
const step = plan.steps.find(({ by, checks }) => by.length > 0 && checks.length > 0)!;
const { edge } = step.by[0];
const heard = ({ kind, heardAt }: Edge, rate: number, more: Partial<HeardBeat> = {}): HeardBeat => ({
	...{ lowerPartial: kind.lowerPartial, upperPartial: kind.upperPartial, heardAt, rate, error: 0.03 },
	...{ wide: rate > 0 ? 1 : 0, isResolved: true, expected: rate, expectedError: 0.1, unisonRate: 0 },
	...{ certainty: 'clear' as const, sense: rate > 0 ? ('wide' as const) : ('narrow' as const) },
	...more
});

describe('the app as witness of a bearing plan', () => {
	it('hears the intervals of a step, each where it is counted', () => {
		const asked = keysAsked(step);
		expect(asked[0]).toEqual({
			...{ lower: edge.lower, upper: edge.upper },
			meetings: [[edge.kind.lowerPartial, edge.kind.upperPartial]]
		});
		for (const check of step.checks)
			expect(asked.some(({ lower, upper }) => lower === check.edge.lower && upper === check.edge.upper)).toBe(true);
	});

	it('agrees quietly within half a cent, else says where the note goes and how far', () => {
		expect(setWitness(step, edge, heard(edge, edge.rate + 0.05)).isRight).toBe(true);
		for (const cents of [-3, 2]) {
			const perCent = step.note === edge.upper ? edge.perCentUpper : -edge.perCentLower;
			const told = setWitness(step, edge, heard(edge, edge.rate + cents * perCent));
			expect(told.isRight).toBe(false);
			// Three cents flat is raised by three.
			expect(told.words).toMatch(cents < 0 ? /: raise \S+ 3\.0 cents$/ : /: lower \S+ 2\.0 cents$/);
		}
	});

	it('moves nothing where the side of pure is not sure', () => {
		const unsure = setWitness(step, edge, heard(edge, 3, { sense: undefined }));
		expect(unsure.words).not.toMatch(/raise|lower/);
		const untold = setWitness(step, edge, heard(edge, 3, { certainty: 'not to be said', sense: undefined }));
		expect(untold).toMatchObject({ isRight: undefined, words: expect.stringMatching(/^not to be told/) });
	});

	it('lets a check point to the note that is likeliest out', () => {
		const [check] = step.checks;
		expect(checkWitness(check, heard(check.edge, check.edge.rate)).isRight).toBe(true);
		const off = 3 * check.tolerance;
		const told = checkWitness(check, heard(check.edge, check.edge.rate + off));
		expect(told.words).toMatch(check.centsPerBeat > 0 ? /lower/ : /raise/);
	});
});
