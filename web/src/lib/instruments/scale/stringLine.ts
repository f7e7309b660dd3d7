import { stringProblem, WIRE, type Hz, type StringData, type StringTableRow, type WireName } from '@fendrel/core';
import { z } from 'zod';

const WIRES = Object.keys(WIRE) as [WireName, ...WireName[]];
const millimetres = z.number({ error: 'Sizes are numbers of millimetres.' }).positive().max(1e5).nullable();

/** The strings of a note as they are stored: sizes in mm, strength in MPa, null where nobody has measured. */
const stringLineSchema = z.object({
	note: z.number().int().min(0).max(127),
	strings: z.number().int().min(1, 'A note has 1 to 3 strings.').max(3, 'A note has 1 to 3 strings.'),
	material: z.enum(WIRES),
	core: millimetres,
	length: millimetres,
	outer: millimetres,
	strength: z.number().positive().max(1e5).nullable()
});
export type StringLine = z.infer<typeof stringLineSchema>;

export const stringTableSchema = z.object({
	strings: z
		.array(stringLineSchema)
		.max(128)
		.refine(
			(lines) => new Set(lines.map(({ note }) => note)).size === lines.length,
			'A note stands in the table twice.'
		)
});

const metres = (mm: number | null) => (mm === null ? undefined : mm / 1000);

function stringDataOf({ material, core, length, outer, strength }: StringLine): StringData {
	return {
		material,
		core: metres(core),
		length: metres(length),
		outer: metres(outer),
		strength: strength === null ? undefined : strength * 1e6
	};
}

export function tableRowOf(line: StringLine): StringTableRow {
	return { note: line.note, strings: line.strings, data: stringDataOf(line) };
}

/** Why a line cannot be where its note is to sound, as a sentence; undefined when it can. */
export function lineProblem(line: StringLine, pitch: Hz): string | undefined {
	return stringProblem(stringDataOf(line), pitch);
}
