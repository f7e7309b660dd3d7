import { FRETS } from './frets';
import { KEYBOARD } from './keyboard';
import { REEDS } from './reeds';

/** Every family there is: the only place that knows them all. */
export const FAMILIES = { keyboard: KEYBOARD, reeds: REEDS, frets: FRETS } as const;
export type FamilyId = keyof typeof FAMILIES;
