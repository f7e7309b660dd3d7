import { equalHz, hz, stringLoad, stringsOf, twinString, type InstrumentTwin } from '@fendrel/core';
import type { StringLine } from '$lib/instruments/scale/stringLine';
import type { Strung } from './scenario';

const TOP = 108;
/** Gauges in mm: the top string's, what an octave down adds, and how far off a wrong one is. */
const THINNEST = 0.775;
const THICKER = 0.055;
const HEAVIER = 0.15;
const COPPER = 8940;
const STEEL = 7850;
/** A round winding fills pi / 4 of the tube that it lies in. */
const FILL = Math.PI / 4;

/**
 * Wire and lengths of a usual scale: plain strings are as long as makes them as stiff as the twin's, wound ones so heavy
 * that they bear the tension of their register. Every so many notes only, as somebody with a gauge and a rule would
 * measure.
 */
export function demoStrings(twin: InstrumentTwin, { longest, stretched, every, wrong }: Strung): StringLine[] {
	const lines: StringLine[] = [];
	const breakOctaves = (TOP - twin.breakNote) / 12;
	const gaugeAt = (octaves: number) => THINNEST + THICKER * octaves;
	const plainAt = (note: number) => stretched * plainLength(twin, note, gaugeAt((TOP - note) / 12));
	const atBreak = plainAt(twin.breakNote);
	const atBreakTension =
		((2 * atBreak * equalHz(twin.breakNote, hz(440))) / 1000) ** 2 * wireMass(gaugeAt(breakOctaves));
	for (let note = twin.lowest; note <= twin.highest; note++) {
		if (note % every !== 0 && note !== twin.lowest && note !== twin.highest) continue;
		const isWound = note < twin.breakNote;
		const round = (value: number, step: number) => Number((Math.round(value / step) * step).toFixed(3));
		const down = (twin.breakNote - note) / (twin.breakNote - twin.lowest);
		const length = round(isWound ? atBreak + (longest - atBreak) * down : plainAt(note), 0.5);
		const gauge = isWound ? 0.95 + 0.5 * down : gaugeAt((TOP - note) / 12);
		const core = round(note in wrong ? gauge + HEAVIER : gauge, 0.025);
		lines.push({
			note,
			strings: stringsOf(twin, note),
			material: 'steel',
			core,
			length,
			outer: isWound ? round(windingFor(note, core, length, atBreakTension * (1.1 + 0.4 * down)), 0.05) : null,
			strength: null
		});
	}
	return lines;
}

/** How long, in mm, a plain string of that gauge is that has the twin's B: B goes with the fourth power of the length. */
function plainLength(twin: InstrumentTwin, note: number, core: number): number {
	const { inharmonicity } = twinString({ ...twin, oddStrings: {} }, note, 0);
	const tried = { material: 'steel', core: core / 1000, length: 0.1 } as const;
	const { inharmonicity: b = inharmonicity } = stringLoad(tried, equalHz(note, hz(440)));
	return 1000 * tried.length * (b / inharmonicity) ** 0.25;
}

/** Diameter over the winding, in mm, that gives a string that tension in N. */
function windingFor(note: number, core: number, length: number, tension: number): number {
	const mass = tension / ((2 * length * equalHz(note, hz(440))) / 1000) ** 2;
	return 1000 * Math.sqrt((core / 1000) ** 2 + (mass - wireMass(core)) / (FILL * COPPER * (Math.PI / 4)));
}

/** kg/m of plain wire of that diameter in mm. */
function wireMass(diameter: number): number {
	return (STEEL * Math.PI * (diameter / 1000) ** 2) / 4;
}
