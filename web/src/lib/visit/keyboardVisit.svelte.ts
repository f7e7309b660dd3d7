import { compareHappened, groupOf, USUAL_ORDER, type Hz, type TouchedNote } from '@fendrel/core';
import type { KeyboardInstrument } from '$lib/device/books';
import type { KeptCurve } from '$lib/tuning/curve';
import { familyOf } from '$lib/tuning/family';
import { planFor, type Plan } from '$lib/tuning/plan';
import { knownByStrike, tellsString, type KnownString } from '$lib/tuning/strings';
import { inSentence } from '$lib/ui/format';
import { outOfLineIn, takenFrom } from './ground';
import { OpenVisit } from './openVisit.svelte';

/** A visit to a keyboard: what is known of its strings, and the plan that follows. */
export class KeyboardVisit extends OpenVisit<KeyboardInstrument> {
	private readonly taken = $derived.by(() => takenFrom(this.about, this.planned));
	readonly temperament = $derived.by(() => this.taken.temperament);
	/** The curve that the plan took. */
	readonly curve: KeptCurve | undefined = $derived.by(() => this.taken.curve);
	/** What is known of the strings: what was read since the book was made is newer. */
	readonly measured: readonly KnownString[] = $derived.by(() => {
		const read = [...this.record.newReadings].filter(tellsString).sort(compareHappened);
		if (read.length === 0) return this.about.measured;
		const told = new Map<number, KnownString>();
		const known = new Map(this.about.measured.map((each) => [each.note, each]));
		for (const { sounders, inharmonicity, ...strike } of read) {
			const note = groupOf(sounders[0]);
			const before = told.get(note) ?? known.get(note);
			// A book that was fetched since may hold the same strike.
			const isOther = before?.by === 'strike' && before.b !== inharmonicity;
			told.set(note, knownByStrike({ ...strike, note, inharmonicity: inharmonicity! }, isOther ? before : undefined));
		}
		return [...this.about.measured.filter(({ note }) => !told.has(note)), ...told.values()];
	});

	/** Notes whose B does not go with their neighbours', and that no second strike has confirmed. */
	readonly outOfLine: ReadonlySet<number> = $derived.by(() => outOfLineIn(this.instrument, this.measured));

	/** Where every note goes. */
	readonly plan: Plan = $derived.by(() => {
		const { instrument, visit, temperament, curve, measured } = this;
		const { a4, stretch } = visit;
		return planFor({ ...instrument, a4, temperament, stretch, curve, measured });
	});

	readonly family = $derived.by(() => familyOf(this.instrument).family);
	/** What the family knows of this instrument. */
	readonly body = $derived.by(() => familyOf(this.instrument).body);
	readonly compass: readonly number[] = $derived.by(() => this.family.groups(this.body));
	readonly tunedTo: string = $derived.by(() => inSentence(this.temperament.name));

	targetOf(group: number): Hz | undefined {
		return this.plan.targetOf(group)?.pitch;
	}

	protected madeFrom(): unknown {
		return this.temperament;
	}

	/** No raise: every note is set, or only some are touched; just one with all its strings. */
	touchOnly(touch: readonly TouchedNote[] | null): void {
		const planned = this.record.report.plan;
		const isPlanned = !planned?.raise && JSON.stringify(planned?.touch ?? null) === JSON.stringify(touch);
		if (isPlanned) return;
		const isOne = touch?.length === 1;
		const order = isOne ? { order: { ...(planned?.order ?? USUAL_ORDER), unisons: 'asOneGoes' as const } } : {};
		this.replan({ raise: null, touch, ...order });
	}
}
