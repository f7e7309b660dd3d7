import { cents, hz, noteName, whatGivesWay, type InstrumentStrings, type IntervalRun } from '@fendrel/core';
import { fixed, signed } from '$lib/ui/format';
import type { CurveBasis } from './curve';
import type { Plan } from './plan';
import { stringsOfInstrument } from './strings';

/** What becomes of every interval type under a plan's curve, temperament left aside. */
export function runsOf(
	stretchAt: (note: number) => number,
	{ lowest, highest }: Pick<CurveBasis, 'lowest' | 'highest'>,
	{ sharpnessAt }: InstrumentStrings,
	a4: number
): readonly IntervalRun[] {
	const deviations = Array.from({ length: highest - lowest + 1 }, (_, i) => cents(stretchAt(lowest + i)));
	return whatGivesWay({ lowest, anchor: lowest, deviations }, sharpnessAt, hz(a4));
}

/** What the curve does at both ends, and which octave type has to give way most where ears judge by it. */
export function stretchWords(plan: Pick<Plan, 'stretchAt'>, basis: CurveBasis, a4 = 440): string {
	const ends = [basis.lowest, basis.highest]
		.map((note) => `${noteName(note)} ${signed(plan.stretchAt(note))}`)
		.join(', ');
	const worst = runsOf(plan.stretchAt, basis, stringsOfInstrument(basis), a4)
		.filter(({ kind }) => kind.semitones === 12)
		.flatMap(({ kind, worst }) => (worst ? [{ type: kind.name, ...worst }] : []))
		.sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents))[0];
	if (!worst) return `${ends} cents.`;
	return `${ends} cents. The ${worst.type} octave gives way most at ${noteName(worst.lower)}-${noteName(worst.upper)}: ${fixed(Math.abs(worst.rate), 1)} per second ${worst.rate < 0 ? 'narrow' : 'wide'}.`;
}
