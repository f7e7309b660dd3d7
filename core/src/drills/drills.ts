import type { ChoiceDrill } from './drill';
import { OCTAVES_DRILL } from './octaves';
import { RATES } from './rates';
import { SIZES } from './sizes';

/** All drills, in the order in which an ear is trained. */
export const DRILLS: readonly ChoiceDrill[] = [SIZES, OCTAVES_DRILL, RATES];

export const drillOf = (id: string): ChoiceDrill | undefined => DRILLS.find((each) => each.id === id);
