import { BEARINGS, type BearingsDrill } from './bearings';
import { COMMAS } from './commas';
import { DIRECTION } from './direction';
import type { ChoiceDrill } from './drill';
import { FULL_EXAMINATION, type FullExaminationDrill } from './fullExamination';
import { HOLDING, type HoldingDrill } from './holding';
import { OCTAVES_DRILL, WIDE_OR_NARROW } from './octaves';
import { PAIR_DRILL, type PairDrill } from './pairDrill';
import { PARTIALS } from './partials';
import { RATES } from './rates';
import { COUNTING, SETTING_APART, STILLNESS, type CountingDrill, type SettingDrill } from './settingDrills';
import { SIZES } from './sizes';
import { STAIRCASE } from './staircase';

export type Drill =
	ChoiceDrill | SettingDrill | CountingDrill | PairDrill | BearingsDrill | HoldingDrill | FullExaminationDrill;

/** All drills, in the order in which an ear is trained. */
export const DRILLS: readonly Drill[] = [
	...[STILLNESS, SIZES, SETTING_APART, PAIR_DRILL, PARTIALS, OCTAVES_DRILL, WIDE_OR_NARROW],
	...[RATES, COUNTING, STAIRCASE, DIRECTION, COMMAS, HOLDING, BEARINGS, FULL_EXAMINATION]
];

export const drillOf = (id: string): Drill | undefined => DRILLS.find((each) => each.id === id);
