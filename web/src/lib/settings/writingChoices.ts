import type { Writing } from '$lib/ui/writing';

/** One thing that people write differently, and the ways there are. */
interface WritingChoice<Key extends keyof Writing = keyof Writing> {
	readonly id: Key;
	readonly name: string;
	readonly ways: readonly { readonly id: Writing[Key]; readonly name: string }[];
}
const choice = <Key extends keyof Writing>(id: Key, name: string, ways: WritingChoice<Key>['ways']) => ({
	id,
	name,
	ways
});

export const WRITING_CHOICES = [
	choice('letters', 'Notes', [
		{ id: 'english', name: 'C D E F G A B' },
		{ id: 'german', name: 'C D E F G A H (B for B♭)' },
		{ id: 'solfege', name: 'Do Re Mi Fa Sol La Si' }
	]),
	choice('accidentals', 'Raised keys', [
		{ id: 'usual', name: 'C♯ E♭ F♯ G♯ B♭' },
		{ id: 'sharps', name: 'all sharp: C♯ D♯ F♯ G♯ A♯' },
		{ id: 'flats', name: 'all flat: D♭ E♭ G♭ A♭ B♭' }
	]),
	choice('decimal', 'Decimal sign', [
		{ id: 'point', name: 'point: 3.2 cents' },
		{ id: 'comma', name: 'comma: 3,2 cents' }
	]),
	choice('temperature', 'Temperatures', [
		{ id: 'celsius', name: 'Celsius, °C' },
		{ id: 'fahrenheit', name: 'Fahrenheit, °F' }
	]),
	choice('length', 'Lengths', [
		{ id: 'mm', name: 'millimetres' },
		{ id: 'inch', name: 'inches' }
	]),
	choice('weekStart', 'A week begins on', [
		{ id: 'monday', name: 'Monday' },
		{ id: 'sunday', name: 'Sunday' }
	])
] as const;
