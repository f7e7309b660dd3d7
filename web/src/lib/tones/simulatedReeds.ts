import { equalHz, hz, STEADY_REED, type LastingTone } from '@fendrel/core';

/** Reeds of a simulated harmonica in C, blown: how far off each stands at full breath, and how it follows the breath. */
export const SIMULATED_REEDS = [
	{ note: 60, off: 4.1, slope: -0.32 },
	{ note: 64, off: -3.2, slope: -0.26 },
	{ note: 67, off: 0.2, slope: -0.2 },
	{ note: 72, off: 1.3, slope: -0.15 },
	{ note: 76, off: 7.2, slope: -0.12 },
	{ note: 79, off: -0.3, slope: -0.1 },
	{ note: 84, off: 0.4, slope: -0.06 }
] as const;
export type SimulatedReedOf = (typeof SIMULATED_REEDS)[number];

/** A way in which a reed is blown. */
export interface Breath {
	readonly id: string;
	readonly name: string;
	readonly tone: Pick<LastingTone, 'from' | 'to' | 'seconds' | 'rise'>;
}
export const BREATHS: readonly Breath[] = [
	{ id: 'gently', name: 'Blow gently', tone: { from: -14, to: -14, seconds: 2.2, rise: 0.3 } },
	{ id: 'playing', name: 'As one plays', tone: { from: -4, to: -4, seconds: 2.2, rise: 0.2 } },
	{ id: 'swell', name: 'A swell', tone: { from: -18, to: 0, seconds: 4.5, rise: 0.2 } }
];

const BREATHED = { noise: 38, wobble: { cents: 0.25, rate: 4.3 } } as const;
/** Its partner an octave above stands a cent and a half wide. */
const PARTNER = 1.5;

/** What sounds when a reed is blown, alone or with its octave. */
export function blown(
	{ note, off, slope }: SimulatedReedOf,
	{ tone }: Breath,
	a4: number,
	isPaired: boolean,
	seed: number
): readonly LastingTone[] {
	const of = { ...STEADY_REED, ...tone, ...BREATHED, slope };
	const pitch = equalHz(note, hz(a4)) * 2 ** (off / 1200);
	const alone = { ...of, pitch, seed };
	return isPaired ? [alone, { ...of, pitch: 2 * pitch * 2 ** (PARTNER / 1200), seed: seed + 100 }] : [alone];
}
