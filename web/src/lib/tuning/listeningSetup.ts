import { A4 } from '@fendrel/core';
import type { ListeningSetup } from '$lib/workers/listening';
import type { Plan } from './plan';

/** What a plan tells the ear of the instrument. */
export function listeningSetup(plan: Plan, a4: number): Omit<ListeningSetup, 'sampleRate' | 'habits'> {
	const notes = plan.targets.map(({ note }) => note);
	return {
		lowest: notes[0],
		highest: notes[notes.length - 1],
		a4: plan.targetOf(A4)?.pitch ?? a4,
		inharmonicity: notes.map((note) => plan.inharmonicityAt(note))
	};
}
