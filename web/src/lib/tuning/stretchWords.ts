import { hz, noteName, partialSharpness, whatGivesWay, cents, type IntervalRun } from '@fendrel/core';
import { signed } from '$lib/ui/format';
import type { Plan } from './plan';

const name = ({ kind }: IntervalRun) => kind.name;
/** Octave types are listened to in their own registers: by their lower note, from and to. */
const REGISTERS: Readonly<Record<string, readonly [from: number, to: number]>> = {
	'2:1': [72, 108],
	'4:2': [48, 84],
	'6:3': [28, 55],
	'8:4': [21, 43]
};

/** What the curve does at both ends, and which octave type has to give way most within its register. */
export function stretchWords(
	plan: Plan,
	{ lowest, highest }: { readonly lowest: number; readonly highest: number }
): string {
	const ends = [lowest, highest].map((note) => `${noteName(note)} ${signed(plan.stretchAt(note))}`).join(', ');
	const curve = {
		lowest,
		anchor: 69,
		deviations: plan.targets.map(({ note }) => cents(plan.stretchAt(note)))
	};
	const sharpness = (note: number, partial: number) => partialSharpness(plan.inharmonicityAt(note), partial);
	const worst = whatGivesWay(curve, sharpness, hz(440))
		.flatMap((run) => {
			const register = REGISTERS[name(run)];
			if (!register) return [];
			return run.along
				.filter(({ lower }) => lower >= register[0] && lower <= register[1])
				.map((each) => ({ type: name(run), ...each }));
		})
		.sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents))[0];
	if (!worst) return `${ends} cents.`;
	return `${ends} cents. Most has to give way the ${worst.type} octave ${noteName(worst.lower)}-${noteName(worst.upper)}: ${Math.abs(worst.rate).toFixed(1)} per second ${worst.rate < 0 ? 'narrow' : 'wide'}.`;
}
