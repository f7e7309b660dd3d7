import { hz, nearestNote, noteName, stepInCents, type StringReading } from '@fendrel/core';
import { scaleBand, scaleLinear } from 'd3-scale';
import { fixed } from '$lib/ui/format';

/** Decibels below the loudest partial at which nothing is shown any more. */
const LOWEST_DB = -60;

export interface PartialBar {
	readonly partial: number;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

/** Levels of a strike's partials as bars, the loudest at the top. */
export function partialBars(
	{ partials }: Pick<StringReading, 'partials'>,
	width: number,
	height: number
): readonly PartialBar[] {
	const loudest = Math.max(...partials.map(({ level }) => level));
	const most = Math.max(8, ...partials.map(({ partial }) => partial));
	const x = scaleBand<number>()
		.domain(Array.from({ length: most }, (_, i) => i + 1))
		.range([0, width])
		.padding(0.25);
	const y = scaleLinear().domain([LOWEST_DB, 0]).range([height, 0]).clamp(true);
	return partials.map(({ partial, level }) => ({
		partial,
		x: x(partial)!,
		y: y(level - loudest),
		width: x.bandwidth(),
		height: Math.max(2, height - y(level - loudest))
	}));
}

export interface PartialWords {
	readonly title: string;
	readonly frequency: string;
	readonly error: string;
	/** How far it lies above its whole-number multiple of the first. */
	readonly sharp: string;
	readonly level: string;
	readonly decay: string;
}

/** One partial of a strike in words and figures; undefined when it was not heard. */
export function partialWords(
	{ partials, pitch }: StringReading,
	partial: number,
	a4: number
): PartialWords | undefined {
	const found = partials.find((each) => each.partial === partial);
	if (!found) return undefined;
	const { frequency, error, level, decay } = found;
	const loudest = Math.max(...partials.map((each) => each.level));
	const cents = 1200 * Math.log2(frequency / (partial * pitch));
	const below = loudest - level;
	return {
		title: `Partial ${partial}, heard at ${noteName(nearestNote(frequency, hz(a4)).note)}`,
		frequency: `${fixed(frequency, 2)} Hz`,
		error: `±${fixed(stepInCents(error, frequency), 2)} cents`,
		sharp:
			partial === 1
				? 'the pitch itself'
				: `${fixed(Math.abs(cents), 1)} cents ${cents < 0 ? 'flat' : 'sharp'} of ${partial} times the pitch`,
		level: below < 0.5 ? 'loudest' : `${fixed(below, 0)} dB down`,
		decay: decay ? `falls to a third in ${decay < 10 ? fixed(decay, 1) : fixed(decay, 0)} s` : 'does not fall yet'
	};
}
