import type { StringKind } from '@fendrel/core';
import type { InharmonicityData } from '$lib/charts/inharmonicityChart';
import { stringsOfInstrument, type KnownString } from '$lib/tuning/strings';

/** What is known of an instrument's strings, as its picture takes it. */
export function inharmonicityPicture(
	{ kind, lowest, highest }: { readonly kind: StringKind; readonly lowest: number; readonly highest: number },
	known: readonly KnownString[]
): InharmonicityData {
	const { inharmonicity } = stringsOfInstrument({ kind, measured: known });
	const notes = Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i);
	const odd = new Set(inharmonicity.outliers.map(({ note }) => note));
	const refused = new Set(inharmonicity.refused.map(({ note }) => note));
	return {
		lowest,
		highest,
		known: known
			.filter(({ note }) => !refused.has(note))
			.map(({ note, b, error, by }) => ({ note, b, error, by, odd: odd.has(note) })),
		model: notes.map(inharmonicity.modelAt),
		used: notes.map(inharmonicity.at),
		logErrors: notes.map(inharmonicity.errorAt),
		breakNote: inharmonicity.breakNote
	};
}
