import {
	cents,
	falseBeatOf,
	habitAt,
	isBrokenNow,
	partialHz,
	unisonCents,
	USUAL_ORDER,
	type BearingPlan,
	type Instructions,
	type ListeningHabits,
	type MovedPins,
	type PlannedOrder,
	type ReadStrike,
	type StringReading
} from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import { Listening } from '$lib/audio/listening.svelte';
import type { Plan } from '$lib/tuning/plan';
import { BlowCount } from './blowCount.svelte';
import { Cues } from './cues.svelte';
import type { Cue } from './cueSound';
import { LastStrike } from '$lib/listening/lastStrike.svelte';
import type { RaiseWork } from './raiseWork.svelte';
import { pairLive, unisonLive, type LiveWords } from './liveWords';
import { leverString } from './pairWork';
import { Setting } from './setting.svelte';
import type { VisitRecord } from '../visitRecord.svelte';
import { listenedTo, type WorkGround } from '../workGround';
import type { SetAction } from './setKeys';

export interface SetOptions<Body> extends WorkGround<Body> {
	readonly visit: { readonly id: string; readonly a4: number; readonly tolerance: number };
	/** Who keeps what the simulated instrument's lever moves. */
	readonly onMoved: (moved: MovedPins) => void;
	/** A pass of a raise, in place of the tuning. */
	readonly raise?: RaiseWork;
	/** Notes that are touched while the rest stays, and how many cents above their targets they are brought. */
	readonly touch?: ReadonlyMap<number, number>;
	/** In which order, unless as usual; the bearing plan where that is one. */
	readonly order?: PlannedOrder;
	readonly bearing?: BearingPlan;
	/** Its pins are to be looked for. */
	readonly hasPins?: boolean;
	/** Beats per second that strings of a note may make where they are listened to. */
	readonly unison: number;
}

/** How hard the simulated instrument is struck: nearly a test blow. */
const STRENGTH = 0.8;
const MOST_PARTIALS = 16;
/** Instructions that a cue tells. */
const CUES: Partial<Record<keyof Instructions, Cue>> = { holds: 'holds', raise: 'raise', lower: 'lower' };

/** What stands beside the figure: how the ear judges, the unison of the last strike, or its partials. */
export const VIEWS = ['by ear', 'unison', 'partials'] as const;
export type View = (typeof VIEWS)[number] | 'pins';

/** Set at work: connects what sounds, what is set, and what is kept. */
export class SetSession<Body> {
	readonly record: VisitRecord;
	readonly listening: Listening;
	readonly setting: Setting<Body>;
	/** Where every note goes: as planned when the work began, or anew after a note was kept by ear. */
	plan: Plan = $state.raw() as Plan;
	readonly blows: BlowCount;
	readonly cues = new Cues((sounding) => this.listening.ignoreWhile(sounding));
	/** Figures as large as the screen. */
	isLarge = $state(false);
	/** Asked for: a note by its name, the time that is left, what is wrong with the due note. */
	asked = $state<'find' | 'time' | 'fault' | undefined>();
	readonly last = new LastStrike((playing) => this.listening.ignoreWhile(playing));
	/** Undefined: what the last strike makes worth seeing. */
	chosenView = $state<View | undefined>();
	/** The partial that is looked at; the one that is listened to until another is chosen. */
	private chosenPartial = $state<number | undefined>();

	constructor(private readonly options: SetOptions<Body>) {
		const { visit, family, body, plan, record, onMoved } = options;
		this.record = record;
		this.plan = plan;
		this.blows = new BlowCount(visit.id);
		this.listening = new Listening({
			...listenedTo(options),
			onMoved,
			onEvents: (heard) => this.setting.hear(heard),
			strikes: () => this.last.port(),
			onKept: (reading) => void this.lookCloser(reading)
		});
		const { order, bearing } = options;
		const unisonLimit = (note: number) =>
			unisonCents(
				options.unison,
				Math.max(1, habitAt(this.listening.habits, note).partial) * this.plan.targetOf(note)!.pitch
			);
		this.setting = new Setting({
			family,
			body,
			record: this.record,
			plan: { targetOf: (group) => this.plan.targetOf(group) },
			tolerance: cents(visit.tolerance),
			habits: () => this.listening.habits,
			source: () => this.listening.source,
			raise: options.raise,
			touch: options.touch,
			...{ order, bearing },
			unisonLimit,
			onRead: (strikes) => this.wasRead(strikes),
			onSounding: (sounding) => (sounding ? this.cues.hush() : this.cues.tell(this.setting.step.note)),
			onDue: (due, group) => {
				this.listening.expect(due);
				if (due && group !== record.report.place) record.act({ do: 'place', group });
			}
		});
	}

	private wasRead(strikes: readonly ReadStrike[]): void {
		const { step, instruction } = this.setting;
		this.blows.add(strikes);
		// What lies between several strings is no cent of one.
		if (!this.isByEar && !this.instead) this.cues.remember(step.note, CUES[instruction] ?? 'none', strikes.at(-1)?.off);
	}

	private async lookCloser(reading: StringReading): Promise<void> {
		const heard = await this.last.look(reading, this.setting.open.sounders.length);
		if (heard && heard.strings === this.setting.open.sounders.length)
			this.setting.hearUnison(heard.note, heard.analysis);
	}

	/** Begins in the browser; what it returns ends it. */
	open(): () => void {
		this.listening.recall();
		this.record.enter('set');
		return () => {
			this.setting.stop();
			this.cues.close();
			this.last.close();
			this.listening.stop();
		};
	}

	/** With several strings open the unison is the work; with one, only a false beat is worth the place. */
	readonly unison = $derived.by(() => {
		const { heard } = this.last;
		const { step, open, above } = this.setting;
		return heard && heard.note === step.note + above && heard.strings === open.sounders.length ? heard : undefined;
	});
	readonly view: View = $derived.by(() => {
		if (this.chosenView) return this.chosenView;
		const { unison } = this;
		return unison && (unison.strings > 1 || falseBeatOf(unison.analysis)) ? 'unison' : 'by ear';
	});
	readonly habit = $derived.by(() => habitAt(this.listening.habits, this.setting.step.note));
	/** Where the pair, or the unison, is listened to, in Hz: the interval's coincidence, or the register's partial. */
	readonly carrier = $derived.by(() => {
		const { step, soundsAt: target } = this.setting;
		const { interval, against } = step;
		const partial =
			interval && against !== undefined
				? against < step.note
					? interval.upperPartial
					: interval.lowerPartial
				: Math.max(1, this.habit.partial);
		return { partial, frequency: partialHz(target.string, partial) };
	});
	/** What the figure says when it is not one string's cents. */
	readonly instead: LiveWords | undefined = $derived.by(() => {
		const { isUnison, together } = this.setting;
		const { pair, verdict } = together;
		if (pair) return pairLive(pair, this.carrier.frequency);
		return isUnison ? unisonLive(verdict) : undefined;
	});
	/** What is set by ear shows no cents. */
	readonly isByEar = $derived.by(() => this.setting.isByEar);
	/** What the strip shows: of what is set by ear only how it was left. */
	readonly shownRecords = $derived.by(() => {
		const { records } = this.setting;
		const { byEar } = this.options.order ?? USUAL_ORDER;
		if (byEar === 'nothing') return records;
		return new Map([...records].filter(([, { set }]) => set));
	});
	readonly partial = $derived.by(() => this.chosenPartial ?? Math.max(1, this.habit.partial));

	/** Where pins lie in no order that one sees, they are looked for, too. */
	get views(): readonly View[] {
		return this.options.hasPins ? [...VIEWS, 'pins'] : VIEWS;
	}

	/** The same view again: back to what the last strike makes worth seeing. */
	show(view: View): void {
		this.chosenView = this.chosenView === view ? undefined : view;
	}

	choosePartial(partial: number): void {
		this.chosenPartial = partial;
		this.chosenView = 'partials';
	}

	/** Planned anew while one works. */
	planAnew(plan: Plan): void {
		this.plan = plan;
		this.setting.startAfresh();
	}

	/** Other habits, kept already. */
	listenBy(habits: ListeningHabits): void {
		this.listening.listenBy(habits);
		this.setting.startAfresh();
	}

	/** Which of the group's strings are left sounding, by their place in it. */
	private get indexes(): readonly number[] {
		const { family, body } = this.options;
		const all = family.sounders(body, this.setting.step.note);
		return this.setting.open.sounders.map((sounder) => all.indexOf(sounder));
	}

	/** A lever sits on one pin: the first of the strings left open, or the one of a pair that is to be moved. */
	turn(by: number): void {
		const { setting, indexes } = this;
		const { family, body } = this.options;
		const { step } = setting;
		const { pair } = setting.together;
		const at = pair ? family.sounders(body, step.note).indexOf(leverString(pair)) : indexes[0];
		this.listening.simulated?.turn(step.note, at, by);
		this.noticeBreak();
	}

	strike(): void {
		this.noticeBreak();
		void this.listening.simulated?.strike(this.setting.step.note, this.indexes, STRENGTH);
	}

	/** A simulated string that has broken falls silent: it is said why, and goes to the record. */
	private noticeBreak(): void {
		if (this.listening.simulated?.isBroken(this.setting.step.note, this.indexes)) this.stringBroke();
	}

	/** The string that is left sounding has broken. */
	stringBroke(): void {
		const { setting, record } = this;
		const [sounder] = setting.open.sounders;
		setting.startAfresh();
		setting.notice = {
			text: `This string of ${setting.nameOf(setting.step.note)} has broken. It is on record; go on with the next.`
		};
		if (!isBrokenNow(record.report, sounder)) record.act({ do: 'broke', sounder });
	}

	/** A new string is on in its place. */
	stringIsOn(what: string): void {
		const { setting, record, indexes } = this;
		const { note } = setting.step;
		this.listening.simulated?.replace(note, indexes[0]);
		const text = `String of ${setting.nameOf(note)} replaced${what && `, ${what}`}`;
		record.act({ do: 'finding', finding: uuid(), part: null, text, state: 'done' });
		setting.leaveOpen(setting.open);
		setting.notice = { text: 'Pull it up, then strike it.', passes: true };
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
			case 'pair':
				return setting.byPair();
			case 'later':
				return setting.step.unison && setting.later();
			case 'strike':
				return this.strike();
			case 'turn':
				return this.turn(action.by ?? 0);
			case 'strings': {
				const choice = setting.choices.find(({ key }) => key === action.key);
				return choice && setting.leaveOpen(choice);
			}
			case 'listen':
				return void (listening.state === 'on' ? listening.stop() : listening.start());
			case 'view':
				this.chosenView = this.views[(this.views.indexOf(this.view) + 1) % this.views.length];
				return;
			case 'partial':
				return this.choosePartial(Math.min(Math.max(this.partial + (action.by ?? 0), 1), MOST_PARTIALS));
			case 'playPartial':
				this.chosenView = 'partials';
				return void this.last.playPartial(this.partial);
			case 'lock':
				setting.others.isLocked = !setting.others.isLocked;
				return;
			case 'find':
			case 'time':
			case 'fault':
				this.asked = action.do;
				return;
			case 'large':
				this.isLarge = !this.isLarge;
				return;
			case 'heard':
				if (setting.notice?.heard !== undefined) setting.goTo(setting.notice.heard);
		}
	}
}
