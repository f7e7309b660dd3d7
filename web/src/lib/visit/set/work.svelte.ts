import { cents, falseBeatOf, habitAt, type InstrumentTwin, type ListeningHabits } from '@fendrel/core';
import { Listening } from '$lib/audio/listening.svelte';
import type { MovedPins } from '$lib/audio/simulated';
import { listeningSetup } from '$lib/tuning/listeningSetup';
import type { Plan } from '$lib/tuning/plan';
import { saveChanges } from '../requests';
import { LastStrike } from '../lastStrike.svelte';
import { Setting, type Kept } from '../setting.svelte';
import { Sync } from '../sync.svelte';
import type { SetAction } from './keys';

export interface WorkOptions {
	readonly visit: {
		readonly id: string;
		readonly a4: number;
		readonly tolerance: number;
		readonly currentNote: number | null;
		readonly moved: MovedPins;
	};
	readonly instrument: { readonly lowest: number; readonly highest: number; readonly twin: InstrumentTwin };
	readonly plan: Plan;
	readonly habits: ListeningHabits;
	readonly readings: readonly Kept[];
}

/** How hard the simulated instrument is struck: nearly a test blow. */
const STRENGTH = 0.8;
const MOST_PARTIALS = 16;

/** What stands beside the figure: how the ear judges, the unison of the last blow, or its partials. */
export const VIEWS = ['ear', 'unison', 'partials'] as const;
export type View = (typeof VIEWS)[number];

/** Set at work: connects what sounds, what is set, and what is kept. */
export class Work {
	readonly sync: Sync;
	readonly listening: Listening;
	readonly setting: Setting;
	readonly last = new LastStrike((playing) => this.listening.hush(playing));
	/** Undefined: what the last blow makes worth seeing. */
	chosenView = $state<View | undefined>();
	/** The partial that is looked at; the one that is listened to until another is chosen. */
	private chosenPartial = $state<number | undefined>();
	private moved: MovedPins;
	private ready = false;
	/** Work begun before this device's own store has answered is newer than what the store remembers. */
	private begun = false;

	constructor(private readonly options: WorkOptions) {
		const { visit, instrument, plan, habits, readings } = options;
		const { lowest, highest, twin } = instrument;
		this.moved = { ...visit.moved };
		this.sync = new Sync(visit.id);
		this.listening = new Listening({
			setup: listeningSetup(plan, visit.a4),
			habits,
			twin,
			moved: this.moved,
			onMoved: (moved) => {
				this.moved = moved;
				this.keepPlace();
			},
			onEvents: (events) => this.setting.hear(events),
			onStrike: (strike) => void this.last.hear(strike, this.setting.strings.indexes.length)
		});
		this.setting = new Setting({
			twin,
			lowest,
			highest,
			plan,
			tolerance: cents(visit.tolerance),
			readings,
			currentNote: visit.currentNote,
			habits: () => this.listening.habits,
			source: () => this.listening.source,
			onReading: (reading) => {
				this.begun = true;
				void this.sync.add(reading);
			},
			onDue: (due) => {
				this.begun = true;
				this.listening.expect(due);
				this.keepPlace();
			}
		});
		this.begun = false;
	}

	/** Begins in the browser; what it returns ends it. */
	open(): () => void {
		this.listening.recall();
		void saveChanges(this.options.visit.id, { stage: 'set' });
		void this.restore();
		return () => {
			this.setting.stop();
			this.sync.stop();
			this.last.close();
			void this.listening.stop();
		};
	}

	/** Takes up what this device had kept from before a reload or crash. */
	private async restore(): Promise<void> {
		const { readings, place } = await this.sync.left();
		this.setting.restore(readings);
		const begun = this.begun;
		if (place && !begun) {
			Object.assign(this.moved, place.moved);
			if (place.currentNote !== null) this.setting.goTo(place.currentNote);
		}
		this.ready = true;
		if (begun) this.keepPlace();
	}

	private keepPlace(): void {
		if (this.ready) void this.sync.movePlace({ currentNote: this.setting.step.note, moved: this.moved });
	}

	/** With several strings open the unison is the work; with one, only a false beat is worth the place. */
	readonly unison = $derived.by(() => {
		const { heard } = this.last;
		const { step, strings } = this.setting;
		return heard && heard.note === step.note && heard.strings === strings.indexes.length ? heard : undefined;
	});
	readonly view: View = $derived.by(() => {
		if (this.chosenView) return this.chosenView;
		const { unison } = this;
		return unison && (unison.strings > 1 || falseBeatOf(unison.analysis)) ? 'unison' : 'ear';
	});
	readonly habit = $derived.by(() => habitAt(this.listening.habits, this.setting.step.note));
	readonly partial = $derived.by(() => this.chosenPartial ?? Math.max(1, this.habit.partial));

	/** The same view again: back to what the last blow makes worth seeing. */
	show(view: View): void {
		this.chosenView = this.chosenView === view ? undefined : view;
	}

	choosePartial(partial: number): void {
		this.chosenPartial = partial;
		this.chosenView = 'partials';
	}

	/** Other habits, kept already. */
	attend(habits: ListeningHabits): void {
		this.listening.attend(habits);
		this.setting.startAfresh();
	}

	/** A lever sits on one pin: the first of the strings left open. */
	turn(by: number): void {
		const { step, strings } = this.setting;
		this.listening.simulated?.turn(step.note, strings.indexes[0], by);
	}

	strike(): void {
		const { step, strings } = this.setting;
		void this.listening.simulated?.strike(step.note, strings.indexes, STRENGTH);
	}

	do(action: SetAction): void {
		const { setting, listening } = this;
		switch (action.do) {
			case 'next':
				return setting.next();
			case 'previous':
				return setting.previous();
			case 'keep':
				return setting.keep();
			case 'strike':
				return this.strike();
			case 'turn':
				return this.turn(action.by ?? 0);
			case 'strings': {
				const choice = setting.choices.find(({ key }) => key === action.key);
				return choice && setting.chooseStrings(choice);
			}
			case 'listen':
				return void (listening.state === 'on' ? listening.stop() : listening.start());
			case 'view':
				this.chosenView = VIEWS[(VIEWS.indexOf(this.view) + 1) % VIEWS.length];
				return;
			case 'partial':
				return this.choosePartial(Math.min(Math.max(this.partial + (action.by ?? 0), 1), MOST_PARTIALS));
			case 'hear':
				this.chosenView = 'partials';
				return void this.last.hearPartial(this.partial);
			case 'heard':
				if (setting.notice?.heard !== undefined) setting.goTo(setting.notice.heard);
		}
	}
}
