import type { InstrumentKind } from '@fendrel/core';

export const KIND_NAMES: Record<InstrumentKind, string> = {
	grand: 'Grand piano',
	upright: 'Upright piano',
	fortepiano: 'Fortepiano',
	harpsichord: 'Harpsichord',
	reeds: 'Free reeds'
};
