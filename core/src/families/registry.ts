import { REEDS } from './reeds';
import { KEYBOARD } from './keyboard';

/** Every family there is: the only place that knows them all. */
export const FAMILIES = { keyboard: KEYBOARD, reeds: REEDS } as const;
export type FamilyId = keyof typeof FAMILIES;
