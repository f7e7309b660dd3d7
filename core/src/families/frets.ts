import { sounderId, type SounderId } from '../record/sounder';
import {
	fretGroup,
	fretGroupName,
	fretGroups,
	fretPlaceOf,
	isTied,
	ordinal,
	usualSuspects,
	type Neck
} from '../frets/neck';
import { fretTargets, type FretBasis } from '../frets/targets';
import type { Family } from './family';

export const stringSounder = (group: number): SounderId => sounderId(group, 'string');

/** Ways through the open strings. */
export const STRING_ORDERS = ['fromTop', 'fromA'] as const;
export type StringOrder = (typeof STRING_ORDERS)[number];

/** Open strings in the order of work: from the highest down, or from the A outwards by fourths and thirds. */
export function openOrder({ strings }: Pick<Neck, 'strings'>, order: StringOrder): readonly number[] {
	const all = strings.map((_, i) => i + 1);
	const first = order === 'fromA' ? strings.findIndex(({ note }) => note % 12 === 9) : 0;
	if (first <= 0) return all;
	return [...all.slice(0, first + 1).reverse(), ...all.slice(first + 1)];
}

/** A peg moves its string, open and at every fret; an end of a fret all strings at it, the nearer the more. */
function controlsOf(neck: Neck, group: number) {
	const { string, fret } = fretPlaceOf(group);
	const at = Array.from({ length: neck.frets + 1 }, (_, k) => stringSounder(fretGroup(string, k)));
	if (fret === 0)
		return [
			{
				id: `peg-${group}`,
				name: `Peg of the ${ordinal(string).toLowerCase()} string`,
				moves: at.map((sounder) => ({ sounder, share: 1 }))
			}
		];
	if (!isTied(neck)) return [];
	const count = neck.strings.length;
	return (['low', 'high'] as const).map((end) => ({
		id: `fret-${fret}-${end}`,
		name: `Fret ${fret}, ${end === 'low' ? 'lowest' : 'highest'} end`,
		moves: neck.strings.map((_, i) => {
			const up = count === 1 ? 1 : (count - 1 - i) / (count - 1);
			return { sounder: stringSounder(fretGroup(i + 1, fret)), share: end === 'high' ? up : 1 - up };
		})
	}));
}

export const FRETS = {
	id: 'frets',
	name: 'Frets',
	group: { one: 'string', many: 'strings' },
	groups: fretGroups,
	groupName: fretGroupName,
	sounders: (_, group) => [stringSounder(group)],
	choices: (_, group) => [{ id: 'string', label: 'By itself', key: '1', sounders: [stringSounder(group)] }],
	controls: controlsOf,
	targets: (neck: Neck, basis: FretBasis) =>
		fretTargets(neck, basis).map(({ group, pitch, fromEqual }) => ({
			...{ note: group, pitch, fromEqual },
			string: { flexiblePitch: pitch, inharmonicity: 0 }
		})),
	ways: ['lasting', 'struck'] as const,
	order: (neck: Neck, order: StringOrder = 'fromTop') => {
		const open = openOrder(neck, order).flatMap((string) =>
			neck.strings[string - 1].course === 'single' ? [string] : [string, fretGroup(string, 0, true)]
		);
		const stopped = usualSuspects(neck).flatMap((fret) => neck.strings.map((_, i) => fretGroup(i + 1, fret)));
		return [...open, ...stopped].map((note) => ({
			...{ note, against: undefined, interval: undefined, section: 'upwards' as const }
		}));
	},
	instructions: {
		begin: 'Sound it',
		check: 'Set. Sound it to check',
		raise: 'Raise',
		lower: 'Lower',
		again: 'Sound it again',
		firmer: 'Once more, as loud as you play',
		unsure: 'Too unsure to say',
		holds: 'Holds'
	}
} as const satisfies Family<Neck, FretBasis, StringOrder>;
