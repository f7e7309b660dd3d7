import { groupOf, noteName, PLAN_FIELDS, type Act, type Family, type Purpose, type SounderId } from '@fendrel/core';
import { counted, listed } from '$lib/ui/format';
import { pairName } from '$lib/ui/beats';
import { FIELD_NAMES } from './fieldNames';

const TAKEN: Record<Purpose, string> = { found: 'found', raised: 'raised', set: 'set', proved: 'proved' };
const OTHERS: Partial<Record<Act['do'], string>> = {
	...{ brief: 'what was asked on arrival', climate: 'the air', part: 'a part judged', attach: 'a picture or a sound' },
	...{ finding: 'work found', clear: 'a gate cleared', consent: 'a consent', note: 'the note for the record' },
	...{
		advice: 'advice',
		answer: 'the answer to the complaint',
		word: 'the player’s word',
		again: 'the next visit',
		alsoDue: 'when other work falls due'
	},
	...{ chord: 'a chord heard' },
	...{ forget: 'what is learned', programme: 'the programme' }
};

/** What somebody did, as short as it can be said: "C4 set", "the plan: the stretch". */
export function actWords(act: Act, { groupName }: Pick<Family<unknown>, 'groupName'>): string {
	const name = (sounder: SounderId) => groupName(groupOf(sounder));
	switch (act.do) {
		case 'accept':
			return `${name(act.sounders[0])} ${TAKEN[act.purpose]}`;
		case 'mark':
			return `${name(act.sounders[0])}: ${act.as === 'later' ? 'later' : 'false beat'}`;
		case 'broke':
			return `${name(act.sounder)}: a broken string`;
		case 'heard':
			return act.breath ? `${groupName(act.lower)} and ${groupName(act.upper)} heard` : `${pairName(act)} heard`;
		case 'filed':
			return `${name(act.sounders[0])}: ${counted(act.strokes, 'stroke')} at the ${act.end}`;
		case 'bent':
			return `${groupName(act.group)} bent`;
		case 'fretMoved':
			return `fret ${act.fret} moved`;
		case 'pinFound':
			return `the pin of ${name(act.sounder)}`;
		case 'wolf':
			return `the wolf on ${noteName(act.note)}`;
		case 'plan':
			return `the plan: ${listed((act.wrote ?? PLAN_FIELDS).map((field) => FIELD_NAMES[field]))}`;
		default:
			return OTHERS[act.do] ?? 'what was done last';
	}
}
