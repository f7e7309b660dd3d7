import { A4, hz, type ListeningHabits } from '@fendrel/core';
import type { Plan } from './plan';

/** What the listening worker is told of the instrument; functions cannot cross, so B comes as a table. */
export interface ListeningSetup {
	/** The rate that the sound card says it has. */
	readonly sampleRate: number;
	readonly lowest: number;
	readonly highest: number;
	readonly a4: number;
	/** B of each note from `lowest` to `highest`. */
	readonly inharmonicity: readonly number[];
	readonly habits: ListeningHabits;
}

/** What a setup knows of an instrument, as the core takes it. */
export function expectedStrings({
	lowest,
	highest,
	a4,
	inharmonicity
}: Pick<ListeningSetup, 'lowest' | 'highest' | 'a4' | 'inharmonicity'>) {
	const inharmonicityAt = (note: number) => inharmonicity[Math.min(Math.max(note, lowest), highest) - lowest];
	return { lowest, highest, a4: hz(a4), inharmonicityAt };
}

/** What a plan tells whoever listens of the instrument. @param above semitones that a register sounds above its keys */
export function listeningSetup(plan: Plan, a4: number, above = 0): Omit<ListeningSetup, 'sampleRate' | 'habits'> {
	const keys = plan.targets.map(({ note }) => note);
	const notes = [...keys, ...Array.from({ length: above }, (_, i) => keys[keys.length - 1] + i + 1)];
	return {
		lowest: notes[0],
		highest: notes[notes.length - 1],
		a4: plan.targetOf(A4)?.pitch ?? a4,
		inharmonicity: notes.map((note) => plan.inharmonicityAt(note))
	};
}
