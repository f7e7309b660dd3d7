import type { StringReading } from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import type { Reading } from './schema';

type FromStrike =
	'pitch' | 'pitchError' | 'fundamental' | 'inharmonicity' | 'inharmonicityError' | 'moment' | 'partials';
type Closer = 'listened' | 'falseBeat' | 'falseBeatDepth' | 'spread' | 'spreadError';
type Rest = Omit<Reading, FromStrike | Closer | 'id' | 'takenAt'>;

/** A reading as it is kept: a strike with what else is known of it, or a note kept by ear without one. */
export function readingFrom(measured: StringReading | undefined, rest: Rest & Partial<Pick<Reading, Closer>>): Reading {
	return {
		id: uuid(),
		takenAt: new Date(),
		pitch: measured?.pitch ?? null,
		pitchError: measured?.pitchError ?? null,
		fundamental: measured?.fundamental ?? null,
		inharmonicity: measured?.inharmonicity ?? null,
		inharmonicityError: measured?.inharmonicityError ?? null,
		moment: measured?.moment ?? null,
		listened: null,
		falseBeat: null,
		falseBeatDepth: null,
		spread: null,
		spreadError: null,
		partials: measured?.partials.map(({ decay, ...partial }) => ({ ...partial, decay: decay ?? null })) ?? [],
		...rest
	};
}
