import type { NoteTarget, TargetTableOptions } from '../curve/targetTable';
import type { Reading } from '../record/happened';
import type { SounderId } from '../record/sounder';
import type { BearingPlan } from '../bearing/plan';
import type { PlannedOrder } from '../record/happened';
import type { SettingStep } from '../setting/step';

/** Sounders of a group that may be left sounding together: one string, a pair, all of a note. */
export interface SounderChoice {
	readonly id: string;
	readonly label: string;
	/** Key on the computer's keyboard. */
	readonly key: string;
	/** The one that leads first. */
	readonly sounders: readonly SounderId[];
	/** Octaves that they sound above the group's target; 0 unless said. */
	readonly octave?: number;
}

/** What one turns, files or moves, and how far each sounder follows: 1 for all of the way. */
export interface Control {
	readonly id: string;
	readonly name: string;
	readonly moves: readonly { readonly sounder: SounderId; readonly share: number }[];
}

/** How sounders are listened to: each way is a listener of its own, named as readings name it. */
export type ListeningWay = Reading['way'];

/** What targets follow from besides the instrument: pitch, temperament, curve, inharmonicity. */
export type TargetBasis = Omit<TargetTableOptions, 'lowest' | 'highest'>;
/** What a group is to be set to. */
export type GroupTarget = Pick<NoteTarget, 'note' | 'pitch' | 'fromEqual' | 'string'>;

/** What is said of a sounder while it is set, as a colleague would. */
export interface Instructions {
	readonly begin: string;
	readonly check: string;
	readonly raise: string;
	readonly lower: string;
	readonly again: string;
	/** The last strike was too soft to show that it holds. */
	readonly firmer: string;
	/** Readings err too much to say at this tolerance. */
	readonly unsure: string;
	readonly holds: string;
}

/**
 * A family of instruments: all that the frame of a visit asks of it. `Body` is what the family knows of one instrument
 * (a keyboard's compass and stringing, a reed plate's holes), `Basis` what targets follow from, `Order` how its order is chosen.
 */
export interface Family<Body, Basis = TargetBasis, Order = PlannedOrder> {
	readonly id: string;
	readonly name: string;
	/** What technicians call a group. */
	readonly group: { readonly one: string; readonly many: string };
	/** What is set one after the other, in the order in which people see it. */
	readonly groups: (body: Body) => readonly number[];
	readonly groupName: (group: number) => string;
	/** The sounders of a group, the one that leads first. */
	readonly sounders: (body: Body, group: number) => readonly SounderId[];
	readonly choices: (body: Body, group: number) => readonly SounderChoice[];
	readonly controls: (body: Body, group: number) => readonly Control[];
	/** What each group is to be set to, in the order of the groups. */
	readonly targets: (body: Body, basis: Basis) => readonly GroupTarget[];
	/** Ways in which its sounders are listened to, the usual one first. */
	readonly ways: readonly ListeningWay[];
	/** The order of work, the usual one unless another is chosen; a group again where its unison follows. */
	readonly order: (body: Body, chosen?: Order, bearing?: Pick<BearingPlan, 'steps'>) => readonly SettingStep[];
	readonly instructions: Instructions;
}
