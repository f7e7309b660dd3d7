import type { Random } from '@fendrel/core';

/** Factors of a lever: nobody shall set a size by counting key presses. */
const GEAR = { least: 0.6, most: 1.7 } as const;

export const gearOf = (random: Random) => GEAR.least * (GEAR.most / GEAR.least) ** random.uniform();
