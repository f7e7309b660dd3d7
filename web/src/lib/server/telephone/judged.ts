import {
	BLANK_BRIEF,
	boundOf,
	breakOf,
	centsBetween,
	estimate,
	everyLevel,
	habitAt,
	hz,
	lookByTelephone,
	NOTHING_LEARNED,
	plannedPasses,
	raiseOrder,
	sectionAt,
	TEMPERAMENT_OCTAVE,
	TOP_FROM,
	unisonCents,
	USUAL_HABITS,
	WIRE,
	type FoundNote,
	type FoundState,
	type Stringing,
	type TelephoneLook,
	type Verdict
} from '@fendrel/core';
import { money, type RaiseChoice } from '$lib/settings/settings';
import type { HeardNote, TelephoneTold } from '$lib/telephone/told';
import { planFor, type Plan } from '$lib/tuning/plan';
import { habitsOf, settingsOf } from '../db/stores/accounts';
import type { StrungInstrument } from '../db/stores/instruments';
import { toldVisits } from '../visits/told';
import { stringingOf } from '../strings/stringing';
import { loadTuning } from '../tuning/choice';
import { workshopPace } from '../visits/pace';

/** Minutes are told in steps of five, as one plans them. */
const STEP = 5;

/** What an owner's notes say of an instrument, by its plan and what the workshop decides. @returns undefined where none of them is on it */
export async function judgedByTelephone(
	workshopId: string,
	instrument: StrungInstrument,
	notes: readonly HeardNote[]
): Promise<TelephoneTold | undefined> {
	const [settings, kept, choice, stringing, [told]] = await Promise.all([
		settingsOf(workshopId),
		habitsOf(workshopId),
		loadTuning(workshopId, { instrument: instrument.id }),
		stringingOf(workshopId, instrument),
		toldVisits(workshopId, [instrument], Date.now())
	]);
	const brief = told.visits.find(({ arrival }) => arrival.isBriefed)?.arrival.brief ?? BLANK_BRIEF;
	const near = settings.purposes[brief.purpose];
	const plan = planFor(choice);
	const found = notes.flatMap(({ note, pitch, error, spread }): FoundState[] => {
		const target = plan.targetOf(note)?.pitch;
		if (target === undefined) return [];
		const { partial } = habitAt(kept ?? USUAL_HABITS, note);
		const unison = unisonCents(near.unison, Math.max(1, partial) * target);
		return [
			{
				...{ note, level: centsBetween(target, hz(pitch)), error, unison, hasFalseBeat: false },
				...(spread === null ? {} : { spread })
			}
		];
	});
	const body = { lowest: instrument.lowest, highest: instrument.highest, breakNote: breakOf(stringing) };
	const look = lookByTelephone(found, body, near, TEMPERAMENT_OCTAVE);
	if (!look) return undefined;
	const pace = await workshopPace(workshopId, settings.minutes);
	const works = [look.likely, ...look.perhaps].map((verdict) => ({
		kind: verdict.kind,
		notes: touched(verdict, found.length, plan),
		passes: passesOf(verdict, { look, body, plan, stringing, raise: settings.raise })
	}));
	const minutes = works.map((work) => STEP * Math.ceil(estimate(work, pace.tariff) / STEP));
	const prices = works.map((work) => estimate(work, settings.price));
	const { state, likely, perhaps, error } = look;
	return {
		...{ level: state.level, worst: { id: likely.worst.id, level: likely.worst.level }, error, played: found.length },
		unisons: state.unisons.map(({ note, spread }) => ({ note, cents: spread! })),
		...{ kind: likely.kind, way: likely.way, perhaps: perhaps.map(({ kind }) => kind) },
		...{ minutes: minutes[0], mostMinutes: Math.max(...minutes) },
		...{ price: money(settings, prices[0]) ?? null, mostPrice: money(settings, Math.max(...prices)) ?? null }
	};
}

/** Of the whole keyboard as many need a touch as of what was played. */
const touched = ({ notes }: Verdict, played: number, { targets }: Plan) =>
	Math.round((notes.length / played) * targets.length);

interface Ground {
	readonly look: TelephoneLook;
	readonly body: { readonly lowest: number; readonly highest: number; readonly breakNote: number | undefined };
	readonly plan: Plan;
	readonly stringing: Stringing;
	readonly raise: RaiseChoice;
}

/** Passes before the tuning, each note at the level that its neighbours say. */
function passesOf({ kind }: Verdict, { look, body, plan, stringing, raise }: Ground): number {
	if (kind !== 'correct' && kind !== 'move' && kind !== 'moveAndReturn') return 0;
	const levels = new Map(everyLevel(look.state.notes, body, undefined).map((each) => [each.note, each.level]));
	const limits = { cap: raise.cap, isOldWire: false, share: WIRE.steel.warnAt };
	const notes = raiseOrder(raise.order, [...levels.keys()], raise.own).map((note): FoundNote => {
		const { wound, strings } = sectionAt(stringing, note);
		return {
			...{ note, strings, row: wound ? 'wound' : note >= TOP_FROM ? 'top' : 'plain' },
			...{ found: levels.get(note)!, error: look.error, target: 0 },
			bound: boundOf(limits, hz(plan.targetOf(note)!.pitch), undefined)
		};
	});
	return plannedPasses(raise.school, notes, NOTHING_LEARNED).length;
}
