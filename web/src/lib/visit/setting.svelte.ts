import {
	adviceFor,
	centsBetween,
	habitAt,
	noteName,
	partialHz,
	settingOrder,
	stabilityOf,
	summariseVisit,
	type Advice,
	type Cents,
	type Due,
	type Hz,
	type InstrumentTwin,
	type ListenerEvent,
	type ListeningHabits,
	type Refusal,
	type SettingStep,
	type StringReading
} from '@fendrel/core';
import { deviationsNow } from './deviations';
import type { Plan } from '$lib/tuning/plan';
import { readingFrom } from './reading';
import type { Reading } from './schema';
import { stringChoices, type StringChoice } from './strings';

/** What a reading needs to be shown and summed up. */
export type Kept = Omit<Reading, 'partials'>;

/** One blow on the string that is due: its curve in cents from target, and its figure. */
export interface BlowTrace {
	readonly id: number;
	readonly curve: readonly { readonly since: number; readonly cents: number }[];
	readonly figure: number | undefined;
}

/** A partial that is followed by itself. */
interface Listened {
	readonly partial: number;
	readonly frequency: Hz;
}

/** Something to tell that is not a figure; `heard` is the note of a wrong key. */
export interface Notice {
	readonly text: string;
	readonly heard?: number;
}

export const REFUSALS: Record<Refusal, string> = {
	'no note': 'No single string stood out. Strike the key again, a little firmer.',
	'two notes': 'Two notes sounded at once. Mute the other one and strike again.',
	unsteady: 'The pitch wandered, as a voice does. Wait for quiet and strike again.',
	interrupted: 'The sound broke off: the microphone changed its rate. Strike again.'
};
/** Blows shown together; older ones fade out of the picture. */
const BLOWS_SHOWN = 6;
/** "Holds" stays readable this long before the next note comes by itself. */
const HOLD_MS = 1100;

export interface SettingOptions {
	readonly twin: InstrumentTwin;
	readonly lowest: number;
	readonly highest: number;
	readonly plan: Plan;
	readonly tolerance: Cents;
	readonly readings: readonly Kept[];
	readonly currentNote: number | null;
	readonly habits: () => ListeningHabits;
	readonly source: () => 'microphone' | 'simulated';
	readonly onReading: (reading: Reading) => void;
	readonly onDue: (due: Due | undefined) => void;
}

/** The work in Set: which note is due, what its blows said, what has been accepted. */
export class Setting {
	readonly order: readonly SettingStep[];
	index = $state(0);
	/** Strings left unmuted. */
	strings = $state.raw() as StringChoice;
	readings = $state.raw<readonly Kept[]>([]);
	blows = $state.raw<readonly BlowTrace[]>([]);
	sounding = $state(false);
	/** Blows that have been read or refused so far. */
	told = $state(0);
	notice = $state.raw<Notice | undefined>();

	readonly step = $derived.by(() => this.order[this.index]);
	readonly choices = $derived.by(() => stringChoices(this.options.twin, this.step.note));
	readonly target = $derived.by(() => this.options.plan.targetOf(this.step.note)!);
	readonly figures = $derived.by(() => this.blows.flatMap(({ figure }) => (figure === undefined ? [] : [figure])));
	readonly stability = $derived.by(() => stabilityOf(this.figures));
	readonly advice: Advice = $derived.by(() => adviceFor(this.figures, this.options.tolerance));
	/** Cents from target: while a blow sounds where it stands, otherwise its figure. */
	readonly now = $derived.by(() => {
		const last = this.blows.at(-1);
		return last?.figure ?? last?.curve.at(-1)?.cents;
	});
	readonly summary = $derived.by(() =>
		summariseVisit(deviationsNow(this.readings, this.options.plan), this.options.lowest, this.options.highest)
	);

	private lastReading: StringReading | undefined;
	private blowCount = 0;
	/** Asked to keep a note whose blow has not been read yet: it is kept with its figure, a moment later. */
	private keepWhenRead = false;
	private advance: ReturnType<typeof setTimeout> | undefined;

	constructor(private readonly options: SettingOptions) {
		this.order = settingOrder(options.lowest, options.highest);
		this.readings = options.readings;
		const at = this.order.findIndex(({ note }) => note === options.currentNote);
		this.goToIndex(
			at >= 0
				? at
				: Math.max(
						0,
						this.order.findIndex(({ note }) => !this.isSet(note))
					)
		);
	}

	isSet(note: number): boolean {
		return this.summary.notes.get(note)?.set ?? false;
	}

	/** Adds readings that this device had kept from before a reload. */
	restore(readings: readonly Kept[]): void {
		const known = new Set(this.readings.map(({ id }) => id));
		this.readings = [...this.readings, ...readings.filter(({ id }) => !known.has(id))];
	}

	hear(events: readonly ListenerEvent[]): void {
		for (const event of events) this.hearOne(event);
	}

	private hearOne(event: ListenerEvent): void {
		if (event.kind === 'blow') {
			this.sounding = true;
			this.notice = undefined;
			// A blow opens its curve only when it is known to be on the due note.
			this.blowCount++;
		} else if (event.kind === 'settling' && event.note === this.step.note) {
			const point = { since: event.since, cents: this.fromTarget(event.pitch, event.listened) };
			const last = this.blows.at(-1);
			if (last?.id === this.blowCount) this.replaceLast({ ...last, curve: [...last.curve, point] });
			else this.blows = [...this.blows, { id: this.blowCount, curve: [point], figure: undefined }].slice(-BLOWS_SHOWN);
		} else if (event.kind === 'reading') {
			this.told++;
			this.take(event.reading);
		} else if (event.kind === 'refused') {
			this.told++;
			this.notice = { text: REFUSALS[event.why] };
			this.keepWhenRead = false;
		} else if (event.kind === 'ended') {
			this.sounding = false;
			this.keepWhenRead = false;
		}
	}

	/** Cents from target where it is listened to: at the register's partial, or at the first from all of them. */
	private fromTarget(pitch: Hz, listened: Listened | undefined): Cents {
		const { pitch: target, string } = this.target;
		return listened
			? centsBetween(partialHz(string, listened.partial), listened.frequency)
			: centsBetween(target, pitch);
	}

	private listenedOf({ note, partials }: StringReading): Listened | undefined {
		const { partial } = habitAt(this.options.habits(), note);
		return partials.find((each) => each.partial === partial);
	}

	private replaceLast(blow: BlowTrace): void {
		this.blows = [...this.blows.slice(0, -1), blow];
	}

	private take(reading: StringReading): void {
		if (reading.note !== this.step.note) {
			this.notice = {
				text: `That was ${noteName(reading.note)}; ${noteName(this.step.note)} is due.`,
				heard: reading.note
			};
			return;
		}
		const figure = this.fromTarget(reading.pitch, this.listenedOf(reading));
		const last = this.blows.at(-1);
		if (last?.id === this.blowCount) this.replaceLast({ ...last, figure });
		else this.blows = [...this.blows, { id: this.blowCount, curve: [], figure }].slice(-BLOWS_SHOWN);
		this.lastReading = reading;
		if (this.keepWhenRead) {
			this.keep();
			return;
		}
		const holds = this.advice === 'holds';
		this.store(reading, holds);
		clearTimeout(this.advance);
		if (holds) this.advance = setTimeout(() => this.next(), HOLD_MS);
	}

	private store(measured: StringReading | undefined, accepted: boolean): void {
		const { note } = this.step;
		const listened = measured && this.listenedOf(measured);
		const reading = readingFrom(measured, {
			note,
			string: this.strings.name,
			source: measured ? this.options.source() : 'ear',
			accepted,
			found: false,
			target: this.target.pitch,
			deviation: measured ? this.fromTarget(measured.pitch, listened) : null,
			listened: listened?.partial ?? null
		});
		this.readings = [...this.readings, reading];
		this.options.onReading(reading);
	}

	/** Keeps the note as it stands: with its last figure, or by ear alone. */
	keep(): void {
		const last = this.blows.at(-1);
		const unread = this.sounding && last?.id === this.blowCount && last.figure === undefined;
		this.keepWhenRead = unread;
		if (unread) return;
		this.store(this.lastReading, true);
		this.next();
	}

	next(): void {
		if (this.index < this.order.length - 1) this.goToIndex(this.index + 1);
		else clearTimeout(this.advance);
	}

	previous(): void {
		if (this.index > 0) this.goToIndex(this.index - 1);
	}

	goTo(note: number): void {
		const index = this.order.findIndex((step) => step.note === note);
		if (index >= 0) this.goToIndex(index);
	}

	chooseStrings(choice: StringChoice): void {
		this.strings = choice;
		this.clearBlows();
	}

	/** Blows that were read otherwise do not stand beside those to come. */
	startAfresh(): void {
		this.clearBlows();
	}

	private goToIndex(index: number): void {
		this.index = index;
		this.strings = this.choices.find(({ name }) => name === this.strings?.name) ?? this.choices[0];
		this.notice = undefined;
		this.clearBlows();
		this.options.onDue({ note: this.step.note, pitch: this.target.pitch });
	}

	private clearBlows(): void {
		clearTimeout(this.advance);
		this.blows = [];
		this.lastReading = undefined;
		this.keepWhenRead = false;
	}

	stop(): void {
		clearTimeout(this.advance);
	}
}
