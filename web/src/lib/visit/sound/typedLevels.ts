import { centsBetween, equalHz, hz, type Hz, noteName, parseNote, readNote, typedNoteName } from '@fendrel/core';
import { fixed, signed } from '$lib/ui/format';
import { typedNumber } from '$lib/ui/typed';

/*
 * Pitches from elsewhere, typed or pasted: a note and a value on each line, in cents from the plan or in Hz, with commas or
 * points. What is not understood is named, line by line, and costs nothing else.
 */

export interface TypedLevel {
	readonly note: number;
	/** Cents from the plan. */
	readonly level: number;
}

export interface TypedProblem {
	/** From 1. */
	readonly line: number;
	readonly why: string;
}

export interface TypedLevels {
	readonly unit: 'cents' | 'Hz';
	readonly levels: readonly TypedLevel[];
	readonly problems: readonly TypedProblem[];
}

/** No string that is tuned stands further off than that, in cents. */
const FURTHEST = 300;
/** Values that give one note twice agree within that, in cents. */
const AGREE = 2;
const LONGEST = 100_000;

interface Line {
	readonly line: number;
	readonly note: number;
	readonly value: number;
	readonly unit: 'cents' | 'Hz' | undefined;
	readonly target: Hz;
}

/** A file's lines as this reader would have typed them: files call notes C4, F#3, Bb2, whatever the reader calls them. */
export const asTyped = (file: string): string =>
	file.replace(/^([\s"]*)([A-Ga-g][#♯b♭]?-?\d)(?=[\s:;,="])/gm, (_, before: string, name: string) => {
		return before + typedNoteName(parseNote(name)!);
	});

/** @param targetOf first partial that the plan wants; undefined beyond the keyboard */
export function readTypedLevels(text: string, targetOf: (note: number) => Hz | undefined): TypedLevels {
	const lines: Line[] = [];
	const problems: TypedProblem[] = [];
	if (text.length > LONGEST)
		return { unit: 'cents', levels: [], problems: [{ line: 1, why: 'This is too long to be a survey.' }] };
	text.split(/\r?\n/).forEach((row, i) => {
		const line = i + 1;
		const read = readLine(row, line, targetOf);
		// Without a note the first line is a heading.
		if (read === undefined || (typeof read === 'string' && line === 1 && !/\d/.test(row))) return;
		if (typeof read === 'string') problems.push({ line, why: read });
		else lines.push(read);
	});
	const asHz = ({ value, target }: Line) => value > 0 && Math.abs(centsBetween(target, hz(value))) < 4 * FURTHEST + 100;
	const untold = lines.filter(({ unit }) => unit === undefined);
	const unit = untold.length && untold.filter(asHz).length > untold.length / 2 ? 'Hz' : (lines[0]?.unit ?? 'cents');
	const levels = new Map<number, TypedLevel & { readonly line: number }>();
	const unclear = new Set<number>();
	for (const each of lines) {
		const told = levelOf(each, each.unit ?? unit);
		if (typeof told === 'string') {
			problems.push({ line: each.line, why: told });
			continue;
		}
		const before = levels.get(each.note);
		if (before && Math.abs(before.level - told) > AGREE) {
			const both = `${signed(before.level)} in line ${before.line}, ${signed(told)} here`;
			problems.push({ line: each.line, why: `${noteName(each.note)} stands there twice: ${both}. Neither is taken.` });
			unclear.add(each.note);
		} else levels.set(each.note, { note: each.note, level: told, line: each.line });
	}
	return {
		unit,
		levels: [...levels.values()]
			.filter(({ note }) => !unclear.has(note))
			.map(({ note, level }) => ({ note, level }))
			.sort((a, b) => a.note - b.note),
		problems: problems.sort((a, b) => a.line - b.line)
	};
}

/** @returns a sentence when it is not understood, nothing when it is empty */
function readLine(row: string, line: number, targetOf: (note: number) => Hz | undefined): Line | string | undefined {
	const clean = row.replace(/"/g, '').trim();
	if (clean === '') return undefined;
	const parts = /^([^\s\d]+\d)[\s:;,=]+([+\-−]?\d+(?:[.,]\d+)?)\s*(hz|c|ct|cents?)?\s*[;,]?\s*$/i.exec(clean);
	if (!parts) {
		const note = /^([^\s\d]+\d)\b/.exec(clean);
		return note && readNote(note[1]) !== undefined
			? `“${clean}”: no value was understood.`
			: `“${clean.slice(0, 40)}” begins with no note.`;
	}
	const note = readNote(parts[1]);
	if (note === undefined) return `“${clean.slice(0, 40)}” begins with no note.`;
	const target = targetOf(note);
	if (target === undefined) return `${noteName(note)} is not on this keyboard.`;
	const value = typedNumber(parts[2].replace('−', '-'));
	const unit = parts[3] === undefined ? undefined : /^hz$/i.test(parts[3]) ? 'Hz' : 'cents';
	return { line, note, value, unit, target };
}

/** Cents from the plan, or why it is none. */
function levelOf({ note, value, target }: Line, unit: 'cents' | 'Hz'): number | string {
	const name = noteName(note);
	if (unit === 'cents')
		return Math.abs(value) <= FURTHEST ? value : `${name}: ${value} cents is no string’s. Was it given in Hz?`;
	if (!(value > 0)) return `${name}: ${value} Hz is none.`;
	const level = centsBetween(target, hz(value));
	if (Math.abs(level) <= FURTHEST) return level;
	const octaves = Math.round(level / 1200);
	if (octaves !== 0 && Math.abs(level - 1200 * octaves) <= FURTHEST)
		return `${name}: ${value} Hz is ${noteName(note + 12 * octaves)}, in another octave.`;
	return `${name}: ${value} Hz is far from it (${fixed(equalHz(note, hz(440)), 1)} Hz at A4 = 440).`;
}
