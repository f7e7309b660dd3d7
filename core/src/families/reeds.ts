import { sounderId, type SounderId } from '../record/sounder';
import type { SettingStep } from '../setting/step';
import type { IntonationLevel } from '../reeds/intonation';
import { reedOrder } from '../reeds/order';
import { placedReeds, reedGroup, reedName, type ReedSet } from '../reeds/reedSet';
import { reedTargets, type ReedBasis } from '../reeds/targets';
import type { Family, ListeningWay } from './family';

export const reedSounder = (group: number): SounderId => sounderId(group, 'reed');

/** What is filed: each end of a reed moves that reed alone, the root down. */
const endsOf = (_: ReedSet, group: number) =>
	(['tip', 'root'] as const).map((end) => ({
		id: `${group}-${end}`,
		name: `${end === 'tip' ? 'Tip' : 'Root'} of ${reedName(group)}`,
		moves: [{ sounder: reedSounder(group), share: end === 'tip' ? 1 : -1 }]
	}));

/** Reeds that are set against others come by degree, the rest after them. */
function orderOf(set: ReedSet, level: IntonationLevel = 'equal'): readonly SettingStep[] {
	const first = reedOrder(set.layout.holes, level).map(({ hole, plate }) => reedGroup(hole, plate));
	const rest = placedReeds(set).flatMap(({ group }) => (first.includes(group) ? [] : [group]));
	return [...first, ...rest].map((note) => ({
		...{ note, against: undefined, interval: undefined, section: 'upwards' as const }
	}));
}

export const REEDS = {
	id: 'reeds',
	name: 'Free reeds',
	group: { one: 'reed', many: 'reeds' },
	groups: (set) => placedReeds(set).map(({ group }) => group),
	groupName: reedName,
	sounders: (_, group) => [reedSounder(group)],
	choices: (_, group) => [{ id: 'reed', label: 'By itself', key: '1', sounders: [reedSounder(group)] }],
	controls: endsOf,
	targets: (set: ReedSet, basis: ReedBasis) =>
		reedTargets(set, basis).map(({ group, pitch, gentle }) => ({
			...{ note: group, pitch, fromEqual: gentle },
			string: { flexiblePitch: pitch, inharmonicity: 0 }
		})),
	ways: ['lasting'] as readonly ListeningWay[],
	order: orderOf,
	instructions: {
		begin: 'Sound it',
		check: 'Done. Sound it to check',
		raise: 'File the tip',
		lower: 'File the root',
		again: 'Sound it again',
		firmer: 'Once more, harder',
		unsure: 'Too unsure to say',
		holds: 'Done'
	}
} as const satisfies Family<ReedSet, ReedBasis, IntonationLevel>;
