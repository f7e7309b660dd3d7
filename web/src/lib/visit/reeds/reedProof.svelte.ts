import { BREATHS, hz, reedSound, type Breath, type TogetherEvent } from '@fendrel/core';
import { TogetherListening } from '$lib/audio/togetherListening.svelte';
import type { ReedVisit } from '../reedVisit.svelte';
import type { Proof } from './proofs';
import type { Notice } from '../toneBench.svelte';
import { movedReeds } from './reedBench.svelte';

const REFUSED = {
	'too short': 'Too short. Hold them together for two seconds.',
	'not these': 'Those were not heard together. Cover the other holes, and sound these alone.',
	interrupted: 'The sound broke off. Sound them once more.'
} as const;

/** Octaves and chords one after the other, each at three breaths, and what is heard of them. */
export class ReedProof {
	readonly listening: TogetherListening;
	due = $state.raw<Proof | undefined>();
	breath = $state<Breath>('soft');
	sounds = $state(false);
	notice = $state.raw<Notice | undefined>();
	private times = 0;

	constructor(
		private readonly open: ReedVisit,
		/** What is missing of what is due, once something was heard; the next one when nothing is. */
		private readonly onHeard: () => void
	) {
		this.listening = new TogetherListening({ tones: [], pairs: [] }, (events) => this.hear(events));
	}

	begin(): () => void {
		this.listening.recall();
		return () => this.listening.stop();
	}

	choose(proof: Proof, breath: Breath): void {
		const isOther = this.due?.id !== proof.id;
		this.due = proof;
		this.breath = breath;
		if (!isOther) return;
		// What sounds of the one before is left out.
		this.sounds = false;
		this.notice = undefined;
		this.listening.ask(this.asked(proof));
	}

	blow(breath: Breath): void {
		if (!this.due) return;
		const { instrument, body, visit } = this.open;
		const of = { twin: instrument.twin, set: body, a4: hz(visit.a4), moved: movedReeds(this.open) };
		this.breath = breath;
		void this.listening.simulated?.sound(reedSound(of, this.due.groups, breath, ++this.times));
	}

	/** Tones as they are thought to stand: as they were read, else as planned. */
	private asked({ groups, pairs }: Proof) {
		const pitchOf = (group: number) => this.open.reed(group)?.standing?.pitch ?? this.open.targetOf(group)!;
		return {
			tones: groups.map(pitchOf),
			pairs: pairs.map(({ lower, upper, partials }) => ({
				...{ lower: groups.indexOf(lower), upper: groups.indexOf(upper), partials }
			}))
		};
	}

	private hear(events: readonly TogetherEvent[]): void {
		for (const event of events) {
			if (event.kind === 'begun') {
				this.sounds = true;
				this.notice = undefined;
			} else if (event.kind === 'refused') {
				this.sounds = false;
				this.notice = { text: REFUSED[event.why] };
			} else if (event.kind === 'beats') this.keep(event);
		}
	}

	private keep({ beats }: Extract<TogetherEvent, { kind: 'beats' }>): void {
		this.sounds = false;
		const { due, breath, open } = this;
		if (!due) return;
		open.record.together(() => {
			for (const [i, { lower, upper, partials }] of due.pairs.entries()) {
				const beat = beats[i];
				if (!beat) continue;
				const [lowerPartial, upperPartial] = partials;
				const { rate, error, sense = null } = beat;
				open.record.act({ do: 'heard', lower, upper, lowerPartial, upperPartial, rate, error, sense, breath });
			}
		});
		const next = BREATHS[BREATHS.indexOf(breath) + 1];
		if (next) this.breath = next;
		this.onHeard();
	}
}
