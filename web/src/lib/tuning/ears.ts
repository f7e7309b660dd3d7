import type { Ear } from '@fendrel/core';

/** How beats are counted, from rough to exact; the figures are per second. */
export const EARS = {
	hasty: { name: 'counted once, in passing', floor: 0.2, share: 0.1, bias: 0.1 },
	careful: { name: 'counted with a watch', floor: 0.1, share: 0.06, bias: 0.1 },
	repeated: { name: 'counted several times', floor: 0.06, share: 0.03, bias: 0.05 },
	measured: { name: 'measured', floor: 0.03, share: 0.005, bias: 0.02 }
} as const satisfies Record<string, Ear & { readonly name: string }>;
export type EarName = keyof typeof EARS;
export const EAR_NAMES = Object.keys(EARS) as [EarName, ...EarName[]];

/** The ear that practice has measured of whoever is signed in, by its word in addresses. */
export const PRACTISED = 'mine';
