import { FAMILIES, type InstrumentKind } from '@fendrel/core';
import { counted } from '$lib/ui/format';

export const KIND_NAMES: Record<InstrumentKind, string> = {
	grand: 'Grand piano',
	upright: 'Upright piano',
	fortepiano: 'Fortepiano',
	harpsichord: 'Harpsichord',
	reeds: 'Free reeds'
};

/** Notes or reeds, as many as there are: "7 reeds". */
export function groupsCounted(count: number, kind: InstrumentKind): string {
	const { one, many } = FAMILIES[kind === 'reeds' ? 'reeds' : 'keyboard'].group;
	return counted(count, one, many);
}
