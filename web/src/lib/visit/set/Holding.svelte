<script lang="ts" generics="Body">
	import { countBlows, leverAdvice, staysPut } from '@fendrel/core';
	import { counted } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { sectionAt } from './partOfStrings';
	import type { SetSession } from './session.svelte';

	/** What the hand does at this pin, how hard its blows were, and how many loud ones there have been. */
	let { session, open, isRaise }: { session: SetSession<Body>; open: KeyboardVisit; isRaise: boolean } = $props();
	const setting = $derived(session.setting);
	const read = $derived(setting.strikes.shown.flatMap(({ read }) => read ?? []));
	const isToTurn = $derived(setting.instruction === 'raise' || setting.instruction === 'lower');
	/** What lies between several strings is no cent of one. */
	const isOne = $derived(!session.isByEar && !session.instead && isToTurn && read.length > 0);
	const isPut = $derived(isOne && staysPut(read));
	const advice = $derived.by(() => {
		if (!isOne) return '';
		if (isPut) return 'The pitch has not moved. If you turned a pin, stop: it is another one.';
		const isNew = open.record.report.sounders.get(setting.open.sounders[0])?.left === undefined;
		if (isNew && read.length === 1 && !isRaise)
			return 'First movement down, a hair. If the pitch does not follow, stop: it is another pin.';
		const section = sectionAt(open.instrument, setting.step.note);
		const bearings = open.record.report.arrival.parts.get('bearings')?.grade;
		return leverAdvice(open.instrument.kind, section, bearings, isRaise);
	});
	const blows = $derived(countBlows(read));
	const { loud, isMany } = $derived(session.blows);
</script>

<div class="holding">
	<p class:put={isPut}>{advice}</p>
	<p class="soft count">
		{#if read.length}{counted(blows.firm, 'firm blow')}{blows.soft ? `, ${blows.soft} soft` : ''}{/if}
		{#if loud > read.length}<span class="all">{loud} in all</span>{/if}
	</p>
</div>
{#if isMany}<p class="ears">Loud blows harm the ear: protect it, strike less often, and firmly.</p>{/if}

<style>
	.holding {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		min-height: 1.4rem;
		font-size: 0.95rem;
	}
	.put {
		font-weight: 700;
	}
	.count {
		white-space: nowrap;
		font-variant-numeric: tabular-nums;
	}
	.all {
		margin-left: 0.75rem;
	}
	.ears {
		font-size: 0.9rem;
		color: var(--soft);
	}
</style>
