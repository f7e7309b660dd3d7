import { noteClassName, noteOctave } from '@fendrel/core';
import { format, isSameDay } from 'date-fns';
import { writing } from './writing';

/** A figure with so many decimals and the reader's decimal sign. */
export function fixed(value: number, digits: number): string {
	return decimal(value.toFixed(digits));
}

/** A figure that was written with a point, with the reader's decimal sign. */
export const decimal = (text: string): string => (writing().decimal === 'comma' ? text.replace('.', ',') : text);

/** "12,345": a count as its reader groups it. */
export const grouped = (count: number): string =>
	writing().decimal === 'comma' ? count.toLocaleString('de') : count.toLocaleString('en');

/** A count or figure that was written for a reader; NaN where it is none. */
export function figureOf(text: string): number {
	const [group, point] = writing().decimal === 'comma' ? ['.', ','] : [',', '.'];
	const plain = text.replace('−', '-').replaceAll(new RegExp(`\\${group}(?=\\d{3}(?!\\d))`, 'g'), '');
	return /^[+-]?\d+([.,]\d+)?$/.test(plain) && (!/[.,]/.test(plain) || plain.includes(point))
		? Number(plain.replace(point, '.'))
		: Number.NaN;
}

/** True where nothing of a value is left at so many decimals. */
export const isNoughtAt = (value: number, digits: number) => Number(value.toFixed(digits)) === 0;

/** "+3.2", "−0.4", "0.0"; the minus is as wide as the plus, so that figures stand under each other. */
export function signed(value: number, digits = 1): string {
	const size = fixed(Math.abs(value), digits);
	return isNoughtAt(value, digits) ? size : (value < 0 ? '−' : '+') + size;
}

/** "3.2 cents flat", "0.4 cents sharp", "on pitch" at 0.0; "about 5 cents flat" when the figure is not `certain`. */
export function flatOrSharp(cents: number, certain = true): string {
	const about = certain ? '' : 'about ';
	const digits = certain ? 1 : 0;
	if (isNoughtAt(cents, digits)) return `${about}on pitch`;
	const isOne = Number(Math.abs(cents).toFixed(digits)) === 1;
	return `${about}${fixed(Math.abs(cents), digits)} ${isOne ? 'cent' : 'cents'} ${cents < 0 ? 'flat' : 'sharp'}`;
}

export function inHz(value: number, digits = 1): string {
	return fixed(value, digits);
}

export function onDay(date: Date): string {
	return format(date, 'd MMMM yyyy');
}

/** "10:42", and the day when it is not today's. */
export function onTime(date: Date, now = new Date()): string {
	return format(date, isSameDay(date, now) ? 'HH:mm' : 'd MMMM, HH:mm');
}

export function onShortDay(date: Date): string {
	return format(date, 'd MMM yyyy');
}

/** "34 s", "5 min 57 s". */
export function lasting(seconds: number): string {
	const whole = Math.round(seconds);
	return whole < 90 ? `${whole} s` : `${Math.floor(whole / 60)} min ${whole % 60} s`;
}

const ORDINALS: Partial<Record<Intl.LDMLPluralRule, string>> = { one: 'st', two: 'nd', few: 'rd' };
const ordinals = new Intl.PluralRules('en', { type: 'ordinal' });

/** "2 h 15", "45 min": in steps of five minutes, as one plans them. */
export function roughly(minutes: number): string {
	const whole = Math.max(5, 5 * Math.round(minutes / 5));
	const [hours, rest] = [Math.floor(whole / 60), whole % 60];
	if (hours === 0) return `${rest} min`;
	return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')}`;
}

/** "28th". */
export function ordinal(count: number): string {
	return `${count}${ORDINALS[ordinals.select(count)] ?? 'th'}`;
}

/** "3 notes", "1 note". */
export function counted(count: number, one: string, many = `${one}s`): string {
	return `${count} ${count === 1 ? one : many}`;
}

/** "A4, the tolerance and the stretch". */
export function listed(words: readonly string[]): string {
	return words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}` : words.join();
}

/** Names in the order of a reader: room 2 before room 10. */
export const byName = new Intl.Collator('en', { numeric: true }).compare;

/** As a sentence begins. */
export function capital(text: string): string {
	return text.charAt(0).toUpperCase() + text.slice(1);
}

/** Names that are words, not persons, are written small within a sentence. */
const WORDS = /^(Equal|Quarter-comma)/;
export function inSentence(temperament: string): string {
	return WORDS.test(temperament) ? temperament[0].toLowerCase() + temperament.slice(1) : temperament;
}

/** A note's name in the parts that are set apart: letter, accidental, octave. */
export function noteParts(note: number): { letter: string; accidental: string; octave: number } {
	const name = noteClassName(note);
	return { letter: name[0], accidental: name.slice(1), octave: noteOctave(note) };
}

/** "C4 to E4, G♯5 and 12 more": runs of neighbours drawn together. */
export function noteRuns(notes: readonly number[], nameOf: (note: number) => string, most = 6): string {
	const runs: [number, number][] = [];
	for (const note of [...notes].sort((a, b) => a - b)) {
		const last = runs.at(-1);
		if (last && note === last[1] + 1) last[1] = note;
		else runs.push([note, note]);
	}
	const shown = runs
		.slice(0, most)
		.map(([from, to]) => (from === to ? nameOf(from) : `${nameOf(from)} to ${nameOf(to)}`));
	const rest = runs.slice(most).reduce((sum, [from, to]) => sum + to - from + 1, 0);
	return shown.join(', ') + (rest ? ` and ${counted(rest, 'more', 'more')}` : '');
}
