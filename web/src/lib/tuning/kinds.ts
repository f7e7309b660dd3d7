import type { StringKind } from '@fendrel/core';

export const KIND_NAMES: Record<StringKind, string> = {
	grand: 'Grand piano',
	upright: 'Upright piano',
	fortepiano: 'Fortepiano',
	harpsichord: 'Harpsichord'
};
