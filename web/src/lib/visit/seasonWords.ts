import { counted, fixed, signed } from '$lib/ui/format';
import type { Season } from './season';

/** "The tenor rose 6.1 cents; air 14 % damper explains about +5.8 ±1.2, by 7 changes before." */
export function seasonWords({ section, moved, humidity, explained, error, from }: Season): string {
	const way = moved >= 0 ? 'rose' : 'fell';
	const air = `${Math.abs(Math.round(humidity))} % ${humidity >= 0 ? 'damper' : 'drier'} air`;
	const learned = from ? `, by ${counted(from, 'change')} before` : '';
	return `The ${section} ${way} ${fixed(Math.abs(moved), 1)} cents since the last visit; ${air} explains about ${signed(explained)} ±${fixed(error, 1)}${learned}.`;
}
