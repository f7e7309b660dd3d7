import { noteClassName, noteName, type CountRefusal } from '@fendrel/core';
import type { Finding } from '$lib/workers/proving';
import { pairName } from '$lib/ui/beats';
import { counted, fixed, signed } from '$lib/ui/format';

const list = (names: readonly string[]) =>
	names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** Why nothing can be said yet, and what to count to change that. */
export function refusalWords(why: CountRefusal): { readonly verdict: string; readonly advice: string } {
	if (why.reason === 'no counts')
		return {
			verdict: 'Nothing counted yet.',
			advice: 'The thirds and fifths of the octave are enough; more make it surer.'
		};
	const missing = list(why.missing.map(pairName));
	const advice = missing ? `Count ${missing} as well.` : 'Count more thirds and sixths.';
	if (why.reason === 'unconnected')
		return {
			verdict: `${list(why.notes.map(noteName))} ${why.notes.length === 1 ? 'is' : 'are'} not connected to anything counted.`,
			advice: `No chain of counts leads there from the reference note. ${advice}`
		};
	if (why.reason === 'uncertain')
		return {
			verdict: `Too uncertain: ${noteName(why.note)} could be anywhere within ±${fixed(why.error, 1)} cents.`,
			advice
		};
	return {
		verdict: `Nothing confirms the count of ${pairName(why.count)}.`,
		advice: `${why.shift === undefined ? 'A slip there would go unseen.' : `A slip there could move notes together by ${fixed(why.shift, 0)} cents unseen.`} ${advice}`
	};
}

const cents = (value: number) =>
	`${fixed(Math.abs(value), 1)} ${fixed(Math.abs(value), 1) === '1.0' ? 'cent' : 'cents'}`;

/** One sentence that says what to do with the octave. */
export function verdictOf({ solution, moves }: Finding, temperament: string, tolerance: number): string {
	const [wrong] = solution.contradictions;
	if (!solution.fits) return 'These counts contradict each other in more than one place. Count the marked ones again.';
	const doubt = wrong === undefined ? '' : `One count is wrong, ${pairName(solution.residuals[wrong.index].count)}. `;
	if (moves.moves.length === 0) return `${doubt}Every note lies within ${tolerance} cents of ${temperament}.`;
	const all = [...moves.moves].sort((a, b) => Math.abs(b.by) - Math.abs(a.by));
	if (all.length === 1) {
		const [{ note, by }] = all;
		return `${doubt}${noteName(note)} is ${cents(by)} ${by > 0 ? 'flat' : 'sharp'}: ${by > 0 ? 'raise' : 'lower'} it. The rest may stay.`;
	}
	return `${doubt}${counted(all.length, 'note')} to move: ${all
		.slice(0, 4)
		.map(({ note, by }) => `${by > 0 ? 'raise' : 'lower'} ${noteName(note)} ${cents(by)}`)
		.join(', ')}${all.length > 4 ? ' and more' : ''}.`;
}

export function nearestWords({ whole }: Finding): string | undefined {
	if (!whole) return undefined;
	const { best, runnerUp, significant, fits } = whole.nearest;
	const name = ({ temperament, root }: typeof best) =>
		root ? `${temperament.name} built on ${noteClassName(root)}` : temperament.name;
	const next = runnerUp ? `, ${name(runnerUp)} ${fixed(runnerUp.rms, 1)}` : '';
	const how = significant ? '' : '; the difference is no more than chance';
	return `${fits ? 'It agrees with' : 'Nearest is'} ${name(best)} (${fixed(best.rms, 1)} cents rms off${next}${how}).`;
}

export function keyOrderWords({ whole }: Finding): string | undefined {
	if (!whole) return undefined;
	const { index, error, verdict } = whole.keyOrder;
	const figures = `(${signed(index)} ± ${fixed(error, 1)} cents from C to F♯)`;
	if (verdict === 'home keys calmest') return `The home keys are the calmest ${figures}.`;
	if (verdict === 'all keys alike') return `No key is clearly favoured ${figures}.`;
	return `The order of keys is reversed: C, F and G are the harshest, the remote keys the sweetest ${figures}.`;
}
