import type { Brief } from '@fendrel/core';
import { counted, fixed } from '$lib/ui/format';
import type { Settings } from './settings';

/** Why an instrument falls due when it does. @param moved cents that it was moved by in its last visit */
export function dueReason(
	{ purpose, played }: Pick<Brief, 'purpose' | 'played'>,
	{ again, purposes }: Pick<Settings, 'again' | 'purposes'>,
	moved: number
): string {
	if (moved >= purposes[purpose].followUp) return `it was moved ${fixed(moved, 0)} cents and still gives`;
	if (purpose === 'stage') return `it stands on a stage: ${counted(again.stage, 'month')}`;
	const isIdle = played === 'seldom' || played === 'hardly';
	return isIdle
		? `it is hardly played: ${counted(again.hardly, 'month')}`
		: `it is in use: ${counted(again.inUse, 'month')}`;
}
