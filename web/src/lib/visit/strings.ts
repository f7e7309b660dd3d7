import { stringsOf, type InstrumentTwin } from '@fendrel/core';
import type { StringName } from './schema';

/** A choice of strings left unmuted; `indexes` count from the string that leads. */
export interface StringChoice {
	readonly name: StringName;
	readonly label: string;
	readonly key: string;
	readonly indexes: readonly number[];
}

/** The choices for a note: one string, a pair, or three. */
export function stringChoices(twin: InstrumentTwin, note: number): readonly StringChoice[] {
	const count = stringsOf(twin, note);
	if (count === 1) return [{ name: 'middle', label: 'One string', key: '1', indexes: [0] }];
	if (count === 2)
		return [
			{ name: 'left', label: 'Left', key: '1', indexes: [0] },
			{ name: 'right', label: 'Right', key: '2', indexes: [1] },
			{ name: 'open', label: 'Both', key: '0', indexes: [0, 1] }
		];
	return [
		{ name: 'middle', label: 'Middle', key: '1', indexes: [0] },
		{ name: 'left', label: 'Left', key: '2', indexes: [1] },
		{ name: 'right', label: 'Right', key: '3', indexes: [2] },
		{ name: 'open', label: 'All three', key: '0', indexes: [0, 1, 2] }
	];
}
