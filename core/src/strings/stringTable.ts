import type { Hz } from '../units/quantity';
import type { MeasuredInharmonicity } from './keyboardInharmonicity';
import { stringLoad, tensionRatio, type StringData, type StringLoad } from './tension';
import { WIRE, type WireMaterial } from './wire';

/** The strings of a note: all alike. */
export interface StringTableRow {
	readonly note: number;
	/** How many, 1 to 3. */
	readonly strings: number;
	readonly data: StringData;
}

/** A note's strings under load; figures are for one string. */
export interface NoteLoad extends StringLoad {
	readonly note: number;
	readonly strings: number;
	readonly isWound: boolean;
	readonly material: WireMaterial;
	/** N that the raise adds to one string. */
	readonly added: number | undefined;
	readonly shareAfter: number | undefined;
}

export type LoadWarning =
	/** Above the material's level now, or only after the raise. */
	| { readonly kind: 'near breaking'; readonly note: number; readonly share: number; readonly after: boolean }
	/** Tension of one string against that of the note before it in the table. */
	| { readonly kind: 'tension step'; readonly from: number; readonly to: number; readonly ratio: number };

export interface TableLoad {
	readonly notes: readonly NoteLoad[];
	/** N over all strings whose tension is known, now and added by the raise. */
	readonly total: number;
	readonly added: number;
	/** Strings counted, and those of the compass whose tension is not known. */
	readonly known: number;
	readonly unknown: number;
	readonly warnings: readonly LoadWarning[];
}

/** From one note to one at most three above it, tension should not change by more. */
const STEP = 1.3;
const NEAR = 3;

/**
 * Tension and strength of every string in a table, what a raise adds, and what to be careful of.
 * @param pitchAt first partial of a note as it stands now
 * @param raise cents by which every note is to rise
 * @param stringsAt how many strings each note of the compass has, to count those that the table leaves out
 * @throws RangeError when a row's figures are no string's (see stringProblem)
 */
export function tableLoad(
	rows: readonly StringTableRow[],
	pitchAt: (note: number) => Hz,
	raise: number,
	stringsAt: ReadonlyMap<number, number>
): TableLoad {
	const ratio = tensionRatio(raise);
	const notes = [...rows]
		.sort((a, b) => a.note - b.note)
		.map(({ note, strings, data }): NoteLoad => {
			const load = stringLoad(data, pitchAt(note));
			return {
				...load,
				note,
				strings,
				isWound: data.outer !== undefined,
				material: WIRE[data.material],
				added: load.tension === undefined ? undefined : load.tension * (ratio - 1),
				shareAfter: load.breakingShare === undefined ? undefined : load.breakingShare * ratio
			};
		});
	const loaded = notes.filter(({ tension }) => tension !== undefined);
	const sum = (of: (each: NoteLoad) => number) => loaded.reduce((all, each) => all + each.strings * of(each), 0);
	const counts = new Map([...stringsAt, ...rows.map(({ note, strings }) => [note, strings] as const)]);
	const known = sum(() => 1);
	const near = notes.flatMap(({ note, material, breakingShare, shareAfter }): LoadWarning[] => {
		const level = material.warnAt;
		if (breakingShare !== undefined && breakingShare > level)
			return [{ kind: 'near breaking', note, share: breakingShare, after: false }];
		return shareAfter !== undefined && shareAfter > level
			? [{ kind: 'near breaking', note, share: shareAfter, after: true }]
			: [];
	});
	const steps = loaded.slice(1).flatMap((upper, i): LoadWarning[] => {
		const lower = loaded[i];
		const step = upper.tension! / lower.tension!;
		return upper.note - lower.note <= NEAR && Math.max(step, 1 / step) > STEP
			? [{ kind: 'tension step', from: lower.note, to: upper.note, ratio: step }]
			: [];
	});
	return {
		notes,
		total: sum(({ tension }) => tension!),
		added: sum(({ added }) => added!),
		known,
		unknown: [...counts.values()].reduce((all, strings) => all + strings, 0) - known,
		warnings: [...near, ...steps]
	};
}

/** How far B by the table may be from the string's own: windings stiffen the core in ways that the formula does not know. */
const DOUBT = { plain: 0.1, wound: 0.3 } as const;

/** B of the table's notes, in place of measurements. */
export function tableInharmonicity({ notes }: Pick<TableLoad, 'notes'>): readonly MeasuredInharmonicity[] {
	return notes.flatMap(({ note, inharmonicity: b, isWound }) =>
		b === undefined ? [] : [{ note, b, error: (isWound ? DOUBT.wound : DOUBT.plain) * b }]
	);
}
