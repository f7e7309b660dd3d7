import { readNote, noteName, type InstrumentKind } from '@fendrel/core';

import { lengthWords } from '$lib/ui/measures';

/** A string as its table has it, in mm. */
interface StringLine {
	readonly note: number;
	readonly core: number | null;
	readonly outer: number | null;
}

/** What goes along to every visit of a kind: how its pins are shaped, and what silences its strings. */
const USUAL: Readonly<Record<InstrumentKind, readonly string[]>> = {
	grand: ['lever with the head for square pins', 'felt strip', 'two wedges'],
	upright: ['lever with the head for square pins', 'felt strip', 'two wedges'],
	fortepiano: ['lever for small flat pins', 'wedges'],
	harpsichord: ['lever for small flat pins', 'quills'],
	reeds: ['files', 'gap gauge', 'mask and wet wipes'],
	frets: ['spare gut', 'peg paste']
};

/** A finding's words ask for these. */
const ASKED: readonly { readonly words: RegExp; readonly bring: string }[] = [
	{ words: /hammer|glue/i, bring: 'glue and clamps' },
	{ words: /damper|felt|buff/i, bring: 'felt' },
	{ words: /quill|plectr/i, bring: 'quills' },
	{ words: /sluggish|sticks/i, bring: 'key easing pliers' },
	{ words: /voic|harsh|grooved/i, bring: 'needles and files' },
	{ words: /loose pin|pin jumps/i, bring: 'larger pins' }
];

/** "string for A1: core 1.05 mm, wound to 2.60 mm" */
function stringFor(note: number, lines: readonly StringLine[]): string {
	const line = lines.find((each) => each.note === note);
	if (!line?.core) return `string for ${noteName(note)}: gauge not measured`;
	const wound = line.outer ? `, wound to ${lengthWords(line.outer, 2)}` : '';
	return `string for ${noteName(note)}: core ${lengthWords(line.core, 2)}${wound}`;
}

/** What to bring for one instrument: by its kind, and by the work that was found. @param lines its table of strings, where there is one */
export function bringFor(
	kind: InstrumentKind,
	findings: readonly string[],
	lines: readonly StringLine[]
): readonly string[] {
	const asked = findings.flatMap((text) => {
		const note = text
			.split(/[\s,;:.()]+/)
			.map(readNote)
			.find((each) => each !== undefined);
		const string = /string/i.test(text) && note !== undefined ? [stringFor(note, lines)] : [];
		return [...string, ...ASKED.filter(({ words }) => words.test(text)).map(({ bring }) => bring)];
	});
	return [...new Set([...asked, ...USUAL[kind]])];
}

/** Of a whole day: each thing once, what one instrument asks for first. */
export function bringToday(all: readonly { readonly bring: readonly string[] }[]): readonly string[] {
	const counts = new Map<string, number>();
	for (const { bring } of all) for (const each of bring) counts.set(each, (counts.get(each) ?? 0) + 1);
	return [...counts].sort((a, b) => a[1] - b[1]).map(([each]) => each);
}
