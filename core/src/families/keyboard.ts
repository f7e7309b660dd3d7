import type { BearingPlan } from '../bearing/plan';
import type { PlannedOrder } from '../record/happened';
import { sounderId, type SounderId } from '../record/sounder';
import { settingOrder } from '../setting/order';
import { sectionAt, stringsAt, type Choir, type Stringing } from '../strings/stringing';
import { noteName } from '../units/note';
import { targetTable } from '../curve/targetTable';
import type { Control, Family, SounderChoice, TargetBasis } from './family';

/** A keyboard as the visit works on it. */
export interface Keyboard {
	readonly lowest: number;
	readonly highest: number;
	readonly stringing: Stringing;
}

/** Strings of a note as they lie, the one that leads first. */
const MEMBERS: Readonly<Record<number, readonly string[]>> = {
	1: ['only'],
	2: ['left', 'right'],
	3: ['middle', 'left', 'right']
};
const LABELS: Readonly<Record<string, string>> = {
	only: 'One string',
	left: 'Left',
	middle: 'Middle',
	right: 'Right'
};
const TOGETHER: Readonly<Record<number, string>> = { 2: 'Both', 3: 'All three' };

/** In a keyboard of several registers a string is named by its own. */
const nameIn = ({ id }: Choir, member: string, registers: number) =>
	registers === 1 ? member : member === 'only' ? id : `${id}-${member}`;

function soundersIn(keyboard: Keyboard, note: number): { choir: Choir; member: string; sounder: SounderId }[] {
	const { stringing } = keyboard;
	const members = MEMBERS[stringsAt(stringing, note)];
	return stringing.choirs.flatMap((choir) =>
		members.map((member) => ({
			choir,
			member,
			sounder: sounderId(note, nameIn(choir, member, stringing.choirs.length))
		}))
	);
}

function choicesOf(keyboard: Keyboard, note: number): readonly SounderChoice[] {
	const all = soundersIn(keyboard, note);
	const registers = keyboard.stringing.choirs.length;
	const single = all.map(({ choir, member, sounder }, i): SounderChoice => ({
		id: sounder.slice(sounder.indexOf('/') + 1),
		label:
			registers === 1
				? LABELS[member]
				: member === 'only'
					? choir.name
					: `${choir.name} ${LABELS[member].toLowerCase()}`,
		key: String(i + 1),
		sounders: [sounder],
		...(choir.octave && { octave: choir.octave })
	}));
	// What sounds an octave above is no unison of the rest: it is brought to its own octave by itself.
	const alike = all.filter(({ choir }) => !choir.octave);
	if (alike.length < 2) return single;
	const label = registers === 1 ? TOGETHER[alike.length] : alike.length === 2 ? 'Both' : 'All together';
	const open = { id: 'open', label, key: '0', sounders: alike.map(({ sounder }) => sounder) };
	const [lead, ...others] = keyboard.stringing.choirs.filter(({ octave }) => !octave);
	if (others.length < 2) return [...single, open];
	// Three at one pitch: each is brought to the one that leads, not to the third.
	const pairs = others.map((other, i): SounderChoice => ({
		...{ id: `with-${other.id}`, label: `${lead.name} and ${other.name}`, key: String(all.length + i + 1) },
		sounders: alike.flatMap(({ choir, sounder }) => (choir === lead || choir === other ? [sounder] : []))
	}));
	return [...single, ...pairs, open];
}

/** Each string has a pin of its own, which moves that string alone. */
function pinsOf(keyboard: Keyboard, note: number): readonly Control[] {
	return soundersIn(keyboard, note).map(({ sounder }) => ({
		id: sounder,
		name: `Pin of ${noteName(note)} ${sounder.slice(sounder.indexOf('/') + 1)}`,
		moves: [{ sounder, share: 1 }]
	}));
}

export const KEYBOARD = {
	id: 'keyboard',
	name: 'Keyboards',
	group: { one: 'note', many: 'notes' },
	groups: ({ lowest, highest }) => Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i),
	groupName: noteName,
	sounders: (keyboard, note) => soundersIn(keyboard, note).map(({ sounder }) => sounder),
	choices: choicesOf,
	controls: pinsOf,
	targets: ({ lowest, highest }: Pick<Keyboard, 'lowest' | 'highest'>, basis: TargetBasis) =>
		targetTable({ lowest, highest, ...basis }),
	ways: ['struck'],
	order: ({ lowest, highest, stringing }, chosen?: PlannedOrder, bearing?: Pick<BearingPlan, 'steps'>) =>
		settingOrder(
			{
				...{ lowest, highest, bearing },
				stringsAt: (note) => stringsAt(stringing, note),
				registers: stringing.choirs.slice(1).map(({ id }) => id),
				isWound: (note) => sectionAt(stringing, note).wound
			},
			chosen
		),
	instructions: {
		begin: 'Strike it',
		check: 'Set. Strike to check',
		raise: 'Raise',
		lower: 'Lower',
		again: 'Strike again',
		firmer: 'Once more, firmer',
		unsure: 'Too unsure to say',
		holds: 'Holds'
	}
} as const satisfies Family<Keyboard>;
