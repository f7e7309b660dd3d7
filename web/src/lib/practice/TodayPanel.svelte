<script lang="ts">
	import { drillOf } from '@fendrel/core';
	import { counted, fixed } from '$lib/ui/format';
	import { DRILL_WORDS } from './drillWords';
	import type { Proposal } from './today';

	interface Props {
		proposal: Proposal;
	}
	let { proposal }: Props = $props();
	const gain = $derived(proposal.is === 'drill' ? proposal.gain : undefined);
	const register = $derived(gain && drillOf(gain.drill)!.registers.find(({ id }) => id === gain.register)!);
</script>

<section class="today" aria-label="Today">
	{#if proposal.is === 'rest'}
		<p class="verdict">Enough for today</p>
		<p class="soft">
			{counted(proposal.sittings, 'sitting')} in half a day. An ear learns while it rests: go on tomorrow.
		</p>
	{:else if gain && register}
		<p class="verdict">Today: {DRILL_WORDS[gain.drill].title}</p>
		<p>
			{#if gain.isMeasured}
				{register.name}. A fifth finer here, and a whole tuning by ear errs by {fixed(gain.then, 2)} cents instead of {fixed(
					gain.now,
					2
				)}. No other drill gains more.
			{:else}
				{register.name}. Not measured yet, and likely to matter most: for a usual ear, being a fifth finer here takes
				the error of a whole tuning from {fixed(gain.now, 2)} to {fixed(gain.then, 2)} cents.
			{/if}
		</p>
		<p><a class="btn preset-filled-brand" href="/practice/{gain.drill}?register={gain.register}">Begin</a></p>
	{:else}
		<p class="verdict">All that weighs most has had its turn</p>
		<p class="soft">Take any drill you like, or let the ear rest until tomorrow.</p>
	{/if}
</section>

<style>
	.today {
		display: grid;
		gap: 0.5rem;
		padding: 0.9rem 0 1.1rem;
		border-bottom: 1px solid var(--line);
	}
	p {
		max-width: 60rem;
	}
	.verdict {
		font-family: var(--serif, inherit);
		font-size: 1.8rem;
		line-height: 1.2;
	}
</style>
