import {
	EXAMINED,
	RAISE_ORDERS,
	RAISE_SCHOOLS,
	USUAL_HABITS,
	VISIT_PURPOSES,
	type ListeningHabits
} from '@fendrel/core';
import { decimal } from '$lib/ui/format';
import { typedNumber } from '$lib/ui/typed';
import { AGAIN_LINES, BAND_COLUMNS, draftOf, PURPOSE_COLUMNS, TARIFF_LINES, type Draft } from './draft';
import { EXAMINED_NAMES } from './examinedNames';
import { PURPOSE_NAMES, USUAL_SETTINGS } from './settings';
import { WRITING_CHOICES } from './writingChoices';

/** One thing that a workshop decides. */
export interface SettingLine {
	/** Where it stands in the draft, by dots. */
	readonly path: string;
	/** As a sentence would name it: "Lessons: tune once up to, cents". */
	readonly name: string;
	/** What stands there and what usually does, as they are read; prices have no usual. */
	readonly is: string;
	readonly usual: string | undefined;
}

interface Named {
	readonly id: string;
	readonly name: string;
}
const choice = (ways: readonly Named[]) => (id: string) => ways.find((way) => way.id === id)?.name ?? id;

/** Every line there is: where it stands, its name, and how what stands there is read. */
const LINES: readonly (Named & { readonly read?: (value: string) => string; readonly own?: true })[] = [
	...VISIT_PURPOSES.flatMap((purpose) =>
		PURPOSE_COLUMNS.map(({ id, name }) => ({
			id: `purposes.${purpose}.${id}`,
			name: `${PURPOSE_NAMES[purpose]}: ${name}`
		}))
	),
	...EXAMINED.flatMap((examined) =>
		BAND_COLUMNS.map(({ id, name }) => ({
			id: `examination.${examined}.${id}`,
			name: `Examination, ${EXAMINED_NAMES[examined]}: ${name}`
		}))
	),
	{ id: 'raise.school', name: 'A raise: by', read: choice(RAISE_SCHOOLS) },
	{ id: 'raise.order', name: 'A raise: order', read: choice(RAISE_ORDERS) },
	{ id: 'raise.cap', name: 'A raise: at most above target, cents' },
	...TARIFF_LINES.map(({ id, name }) => ({ id: `minutes.${id}`, name: `${name}: minutes` })),
	...TARIFF_LINES.map(({ id, name }) => ({ id: `price.${id}`, name: `${name}: price`, own: true as const })),
	{ id: 'currency', name: 'Currency', own: true },
	...AGAIN_LINES.map(({ id, name }) => ({ id: `again.${id}`, name: `When again, ${name.toLowerCase()}: months` })),
	...WRITING_CHOICES.map(({ id, name, ways }) => ({
		id: `writing.${id}`,
		name: `How it is written: ${name.toLowerCase()}`,
		read: choice(ways)
	}))
];

/** Where it stands that strikes are read in another way: in a dialog of its own. */
export const LISTENING = 'listening';
const habitWords = (habits: ListeningHabits) =>
	habits.map(({ partial, moment }) => `${partial || 'all'} at ${decimal(String(moment))} s`).join(', ');

const at = (draft: Draft, path: string) =>
	path.split('.').reduce<unknown>((of, key) => (of as Record<string, unknown>)[key], draft);

const isSame = (a: string, b: string) => a === b || typedNumber(a) === typedNumber(b);

/** What a workshop decides, line by line, beside what is usual. */
export class SettingLines {
	readonly all: readonly SettingLine[];
	readonly #differing: ReadonlySet<string>;

	/** @param habits how strikes are read, which is kept apart from the rest */
	constructor(draft: Draft, habits: ListeningHabits = USUAL_HABITS) {
		const usual = draftOf(USUAL_SETTINGS);
		const lines = LINES.map(({ id, name, own, read = (value) => value }) => ({
			...{ path: id, name, is: read(String(at(draft, id))) },
			usual: own ? undefined : read(String(at(usual, id)))
		}));
		const listening = { is: habitWords(habits), usual: habitWords(USUAL_HABITS) };
		this.all = [
			...lines,
			{ path: LISTENING, name: 'How a strike is read: partial and moment by register', ...listening }
		];
		this.#differing = new Set(
			this.all.filter(({ is, usual }) => usual !== undefined && !isSame(is, usual)).map(({ path }) => path)
		);
	}
	/** True where the workshop decided otherwise than usual. */
	differs(path: string): boolean {
		return this.#differing.has(path);
	}
	get differing(): readonly SettingLine[] {
		return this.all.filter(({ path }) => this.#differing.has(path));
	}
	/** Lines that have every word of it in their name, whatever the case. */
	find(text: string): readonly SettingLine[] {
		const words = text.toLowerCase().split(/\s+/).filter(Boolean);
		return words.length ? this.all.filter(({ name }) => words.every((word) => name.toLowerCase().includes(word))) : [];
	}
}

/** Puts back what is usual. */
export function putBack(draft: Draft, path: string): void {
	const keys = path.split('.');
	const last = keys.pop()!;
	const of = at(draft, keys.join('.')) as Record<string, unknown>;
	of[last] = at(draftOf(USUAL_SETTINGS), path);
}
