import { KILOGRAM_FORCE, noteName, type KeyboardInharmonicity, type LoadWarning, type TableLoad } from '@fendrel/core';
import type { KnownString } from '$lib/tuning/strings';
import { counted, fixed, grouped, noteRuns } from '$lib/ui/format';

const times = (ratio: number) => (ratio >= 1 ? `${fixed(ratio, 2)} times` : `only ${fixed(ratio, 2)} times`);
const percent = (ratio: number) => `${Math.round(100 * Math.abs(ratio - 1))} %`;

/** Faults of the scale, each as a sentence that says what to look at. */
export function faultWords({ outliers, jumps, breakNote, parameters, refused }: KeyboardInharmonicity): string[] {
	const odd = new Set(outliers.map(({ note }) => note));
	return [
		...outliers.map(({ note, measured, expected, confirmed }) => {
			const ratio = measured / expected;
			const cause =
				ratio > 1 ? 'too thick a wire, or a kink' : 'another gauge than its neighbours’, or a winding gone dead';
			const is = `${noteName(note)} is ${times(ratio)} as stiff as its neighbours suggest`;
			return confirmed
				? `${is}, as two strikes tell: ${cause}? The curve follows it.`
				: `${is}: ${cause}? Strike it once more: until a second strike says the same, the curve goes by its neighbours.`;
		}),
		// A string that is out of line has a step on either side: it has been named already.
		...jumps
			.filter(({ from, to }) => !odd.has(from) && !odd.has(to))
			.map(
				({ from, to, ratio }) =>
					`Jump of ${percent(ratio)} between ${noteName(from)} and ${noteName(to)}${ratio > 1 ? '' : ', downwards'}.`
			),
		...(breakNote === undefined
			? []
			: [
					`Break below ${noteName(breakNote)}: the strings under it are ${percent(Math.exp(parameters[4]))} ${parameters[4] > 0 ? 'stiffer' : 'less stiff'} than the scale above would suggest.`
				]),
		...refused.map(({ note, b }) => `${noteName(note)}: a B of ${b} is no string’s and was left out. Read it again.`)
	];
}

/** What the picture rests on. */
export function basisWords(known: readonly KnownString[], kindName: string): string {
	const struck = known.filter(({ by }) => by === 'strike');
	const table = known.length - struck.length;
	if (known.length === 0) return `No string has been read. This is a typical ${kindName}.`;
	const partials = struck.map(({ partials: all }) => Math.max(0, ...all.map(({ partial }) => partial)));
	const highest = Math.max(0, ...partials);
	const parts = [
		struck.length
			? `${counted(struck.length, 'note')} read${highest > 1 ? `, B over partials up to ${highest}` : ''}`
			: '',
		table ? `${counted(table, 'note')} by the table of strings` : ''
	];
	return `${parts.filter(Boolean).join('; ')}.`;
}

export function scaleVerdict(inharmonicity: KeyboardInharmonicity, known: readonly KnownString[]): string {
	if (known.length === 0) return 'Its strings have not been read yet.';
	const odd = inharmonicity.outliers.map(({ note }) => note).sort((a, b) => a - b);
	if (odd.length === 1) return `${noteName(odd[0])} does not go with its neighbours.`;
	if (odd.length > 1) return `${noteRuns(odd, noteName)} do not go with their neighbours.`;
	const others = faultWords(inharmonicity).length;
	return others ? `${counted(others, 'thing')} to look at.` : 'No fault stands out.';
}

const force = (newtons: number) =>
	newtons >= 10_000
		? `${fixed(newtons / 1000, 1)} kN (${grouped(Math.round(newtons / KILOGRAM_FORCE))} kgf)`
		: `${fixed(newtons, 0)} N (${fixed(newtons / KILOGRAM_FORCE, newtons < 1000 ? 1 : 0)} kgf)`;

export function loadWords({ total, added, known, unknown }: TableLoad, raise: number): string {
	const rest = unknown ? ` Of ${counted(unknown, 'more string', 'more strings')} the tension is not known.` : '';
	const now = `${counted(known, 'string')} known: together ${force(total)}.`;
	if (raise === 0) return now + rest;
	return `${now} ${raise > 0 ? 'A raise' : 'Lowering'} of ${Math.abs(raise)} cents ${raise > 0 ? 'adds' : 'takes off'} ${force(Math.abs(added))}, ${force(Math.abs(added) / known)} a string.${rest}`;
}

/** Cautions, strings near breaking drawn together. */
export function warningWords(warnings: readonly LoadWarning[]): string[] {
	const near = (after: boolean) =>
		warnings.flatMap((each) => (each.kind === 'near breaking' && each.after === after ? [each] : []));
	const said = (after: boolean) => {
		const all = near(after);
		if (all.length === 0) return [];
		const most = Math.max(...all.map(({ share }) => share));
		const notes = noteRuns(
			all.map(({ note }) => note),
			noteName
		);
		const load = `${Math.round(100 * most)} % of the breaking load`;
		return [
			after
				? `${notes}: the raise goes to ${load}. Raise one note in each octave first, eyes protected and face away from the strings, or stay lower.`
				: `${notes}: at ${all.length > 1 ? 'up to ' : ''}${load} already. No further raise there.`
		];
	};
	const steps = warnings.flatMap((each) =>
		each.kind === 'tension step'
			? [
					`Tension goes ${each.ratio > 1 ? 'up' : 'down'} by ${percent(each.ratio)} from ${noteName(each.from)} to ${noteName(each.to)}.`
				]
			: []
	);
	return [...said(false), ...said(true), ...steps];
}
