import {
	INTERVALS,
	octaveType,
	STAIRCASES,
	type AskedKeys,
	type ChordWord,
	type KeyChord,
	type FinalStep,
	type IntervalKind,
	type StringReading,
	type UnisonAnalysis
} from '@fendrel/core';
import { PairListening, type HeardKeys } from '$lib/pairs/pairListening.svelte';
import { LastStrike } from '$lib/listening/lastStrike.svelte';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import { foundDetails } from '../sound/found';

/** Intervals that are proved, by the coincidence that they are judged at. */
export const PROVED_KINDS: readonly IntervalKind[] = [
	...STAIRCASES.map((name) => INTERVALS[name]),
	INTERVALS.tenth,
	INTERVALS.octave42,
	INTERVALS.twelfth
];
/** How two keys are judged; undefined for an interval that is not proved. */
export function provedKind(lower: number, upper: number): IntervalKind | undefined {
	const semitones = upper - lower;
	if (semitones === 12) return octaveType(lower);
	if (semitones === 24) return INTERVALS.doubleOctave;
	return PROVED_KINDS.find((kind) => kind.semitones === semitones);
}
/** Octaves are told by two coincidences. */
const BESIDE: Partial<Record<number, readonly (readonly [number, number])[]>> = {
	12: [
		[2, 1],
		[6, 3]
	],
	19: [[6, 2]],
	24: [[8, 2]]
};

/** Every interval that may be proved on an instrument. */
export function provedKeys({ lowest, highest }: { readonly lowest: number; readonly highest: number }): AskedKeys[] {
	const keys: AskedKeys[] = [];
	for (let lower = lowest; lower < highest; lower++)
		for (const { semitones, lowerPartial, upperPartial } of PROVED_KINDS)
			if (lower + semitones <= highest)
				keys.push({
					...{ lower, upper: lower + semitones },
					meetings: [[lowerPartial, upperPartial], ...(BESIDE[semitones] ?? [])]
				});
	return keys;
}

/** Prove at work: two keys are judged, one key is read again, and both are kept. */
export class ProveSession {
	readonly pairs: PairListening;
	readonly last = new LastStrike((playing) => this.pairs.listening.ignoreWhile(playing));
	/** What was struck last: two keys, or one. */
	shown = $state.raw<{ readonly lower: number; readonly upper: number } | { readonly note: number } | undefined>();
	/** The chord that was heard last; null: what was played is none that is known. */
	chord = $state.raw<KeyChord | null | undefined>();
	private readonly asked: readonly AskedKeys[];
	private due = $state.raw<AskedKeys | undefined>();
	private looked: { readonly struckAt: number; readonly analysis: UnisonAnalysis } | undefined;
	private keptAt: number | undefined;

	constructor(private readonly open: KeyboardVisit) {
		const { instrument, about, moved } = open;
		this.asked = provedKeys(instrument);
		this.pairs = new PairListening(
			{ id: instrument.id, twin: instrument.twin, habits: about.habits, stringing: instrument.stringing },
			this.wish,
			{
				moved: { ...moved },
				onMoved: (now) => open.movePins(now),
				onHeard: (heard) => this.hear(heard),
				onAlone: (reading, isFinal) => this.take(reading, isFinal),
				onChord: (word) => this.takeChord(word),
				strikes: () => this.last.port(),
				onKept: (reading) => void this.look(reading)
			}
		);
	}

	get wish() {
		const { plan, visit } = this.open;
		return { plan, a4: visit.a4, asked: this.due ? [this.due, ...this.asked] : this.asked };
	}

	/** What the final pass asks for next. */
	listenFor(step: FinalStep | undefined): void {
		const isPair = step && 'lower' in step;
		this.due = isPair
			? {
					...{ lower: step.lower, upper: step.upper },
					meetings: [[step.kind.lowerPartial, step.kind.upperPartial], ...(BESIDE[step.upper - step.lower] ?? [])]
				}
			: undefined;
		this.pairs.hearsChords = step !== undefined && 'chord' in step;
		if (step && !isPair) this.pairs.isOpen = true;
		if (!this.pairs.hearsChords) this.chord = undefined;
	}

	/** Strikes what the final pass asks for, on the simulated instrument. */
	strike(step: FinalStep): void {
		this.pairs.strike('chord' in step ? step.chord.notes : 'note' in step ? [step.note] : [step.lower, step.upper]);
	}

	/** Begins in the browser; what it returns ends it. */
	begin(): () => void {
		const stop = this.pairs.open();
		this.open.record.enter('prove');
		return () => {
			this.last.close();
			stop();
		};
	}

	/** What plan and instrument are now. */
	follow(): void {
		const { instrument, about } = this.open;
		const { twin, stringing, id } = instrument;
		this.pairs.follow({ id, twin, stringing, habits: about.habits }, this.wish);
	}

	private hear({ keys, beats, isFinal }: HeardKeys): void {
		this.shown = keys;
		if (!isFinal) return;
		this.open.record.together(() => {
			for (const { lowerPartial, upperPartial, rate, error, sense, certainty } of beats)
				if (certainty !== 'not to be said')
					this.open.record.act({
						...{ do: 'heard', ...keys, lowerPartial, upperPartial, rate, error, sense: sense ?? null }
					});
		});
	}

	private takeChord({ chord, notes, isFinal }: ChordWord): void {
		// That it is none is said when all of it was heard.
		if (chord || isFinal) this.chord = chord ?? null;
		if (!isFinal || !chord) return;
		const { root, kind } = chord;
		this.open.record.act({
			...{ do: 'chord', root, kind },
			notes: notes.map(({ note, off, apart }) => ({
				...{ note, apart },
				...{ cents: off?.cents ?? null, error: off?.error ?? null }
			}))
		});
	}

	private async look(reading: StringReading): Promise<void> {
		const { struckAt } = reading;
		const heard = await this.last.look(reading, this.soundersOf(reading.note).length);
		if (heard) this.looked = { struckAt, analysis: heard.analysis };
	}

	private soundersOf(note: number) {
		const { family, body } = this.open;
		const all = family.sounders(body, note);
		return this.pairs.isOpen ? all : all.slice(0, 1);
	}

	/** One key alone: where it stands now, and with its strings open how far they lie apart. */
	private take(reading: StringReading, isFinal: boolean): void {
		const { record, plan } = this.open;
		const { note, struckAt } = reading;
		this.shown = { note };
		const target = plan.targetOf(note);
		const looked = this.looked?.struckAt === struckAt ? this.looked.analysis : undefined;
		if (this.keptAt === struckAt || !target || !(looked || isFinal)) return;
		this.keptAt = struckAt;
		const sounders = this.soundersOf(note);
		const { source } = this.pairs.listening;
		record.together(() => {
			const kept = record.read(reading, foundDetails(reading, looked, { sounders, source, target: target.pitch }));
			// What nobody set is not proved either: it is on record as it stands.
			if (!record.groups.get(note)?.set) return;
			record.act({
				do: 'accept',
				sounders,
				purpose: 'proved',
				pass: 1,
				reading: kept.id,
				setTo: target.pitch,
				final: target.pitch,
				plan: record.report.plan?.id ?? null
			});
		});
	}

	/** Set goes on with this note. */
	setAgain(note: number): void {
		this.open.record.act({ do: 'place', group: note });
	}
}
