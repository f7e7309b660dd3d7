import { FAMILIES, isKeyboardKind, type InstrumentKind } from '@fendrel/core';
import { counted } from '$lib/ui/format';

export const KIND_NAMES: Record<InstrumentKind, string> = {
	grand: 'Grand piano',
	upright: 'Upright piano',
	fortepiano: 'Fortepiano',
	harpsichord: 'Harpsichord',
	reeds: 'Free reeds',
	frets: 'Strings over frets'
};

/** The family that a kind belongs to. */
export const familyOfKind = (kind: InstrumentKind) => FAMILIES[isKeyboardKind(kind) ? 'keyboard' : kind];

/** Notes, reeds or strings, as many as there are: "7 reeds". */
export function groupsCounted(count: number, kind: InstrumentKind): string {
	const { one, many } = familyOfKind(kind).group;
	return counted(count, one, many);
}
