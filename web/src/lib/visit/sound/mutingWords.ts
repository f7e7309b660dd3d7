import { noteName, type MutingPlan } from '@fendrel/core';
import { counted } from '$lib/ui/format';

/** Which mutes an instrument takes, in a sentence. */
export function mutingWords({ mutes, free }: MutingPlan): string {
	if (mutes.length === 0) return 'Every note has one string: it needs no mute.';
	const strips = mutes.flatMap((mute) =>
		mute.kind === 'strip' ? [`${noteName(mute.from)} to ${noteName(mute.to)}`] : []
	);
	const pairs = mutes.filter(({ kind }) => kind === 'pair').length;
	const lone = mutes.flatMap((mute) => (mute.kind === 'wedge' ? [noteName(mute.note)] : []));
	const said = [
		...(strips.length ? [`Strip from ${strips.join(' and ')}`] : []),
		...(pairs ? [`${counted(pairs, 'wedge')} between pairs of bichords`] : []),
		...(lone.length ? [`one more wedge at ${lone.join(' and ')}`] : []),
		...(free.length ? [`none up to ${noteName(free[free.length - 1])}`] : [])
	];
	return `${said.join('; ')}.`;
}
