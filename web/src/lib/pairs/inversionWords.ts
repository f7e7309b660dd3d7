import { noteName, type Inversion } from '@fendrel/core';
import { pairName } from '$lib/ui/beats';
import { fixed } from '$lib/ui/format';

/** "C4-E4 is slower than B3-E♭4: raise E4 about 1.5 cents." */
export function inversionWords({ from, to, note, by, rival }: Inversion): string {
	const slower = Math.abs(to.found) < Math.abs(from.found);
	const what = `${pairName(to)} is ${slower ? 'slower' : 'faster'} than ${pairName(from)}`;
	if (rival !== undefined) {
		const [low, high] = [note, rival].sort((a, b) => a - b);
		return `${what}: ${noteName(low)} or ${noteName(high)} is out. Strike each alone.`;
	}
	return `${what}: ${by > 0 ? 'raise' : 'lower'} ${noteName(note)} about ${fixed(Math.abs(by), 1)} cents.`;
}
