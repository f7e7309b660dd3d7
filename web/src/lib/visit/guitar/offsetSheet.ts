import { centsBetween, equalHz, hz, noteName } from '@fendrel/core';
import { writeCsv } from '$lib/ui/csv';
import type { GuitarVisit } from '../guitarVisit.svelte';

/** A string as whoever tunes it elsewhere needs it. */
export interface SheetLine {
	readonly string: string;
	/** Cents from equal temperament: softly plucked without the capo, and as it is played. */
	readonly open: number;
	readonly played: number;
	/** What sounds as it is played, and its Hz. */
	readonly sounds: string;
	readonly hertz: number;
}

/** Offsets to take away, from the highest string. */
export function sheetLines(open: GuitarVisit): readonly SheetLine[] {
	const { body, used, how } = open;
	const a4 = hz(open.visit.a4);
	return body.strings.map(({ note }, i) => {
		const pitch = open.targetAt(i + 1);
		const played = centsBetween(equalHz(note + how.capo, a4), pitch);
		return {
			...{ string: noteName(note), open: used[i], played },
			...{ sounds: noteName(note + how.capo), hertz: pitch }
		};
	});
}

/** The same as a table. */
export const sheetCsv = (open: GuitarVisit): string =>
	writeCsv(
		sheetLines(open).map(({ string, open: soft, played, sounds, hertz }) => ({
			string,
			'open, cents': Number(soft.toFixed(1)),
			[`${open.how.capo ? `capo ${open.how.capo}` : 'no capo'} as played, cents`]: Number(played.toFixed(1)),
			sounds,
			Hz: Number(hertz.toFixed(3))
		}))
	);
