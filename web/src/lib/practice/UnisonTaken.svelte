<script lang="ts">
	import { unisonRate, type VisitPurpose } from '@fendrel/core';
	import { enhance } from '$app/forms';
	import { PURPOSE_NAMES } from '$lib/settings/settings';
	import { reachedUnison } from './today';
	import { fixed } from '$lib/ui/format';

	interface Props {
		/** Cents that are left of a unison, root mean square. */
		left: number;
		/** Beats a second that visits leave a unison, by what they are for. */
		asked: Readonly<Record<VisitPurpose, number>>;
		/** Whoever looks decides for the workshop. */
		mayDecide: boolean;
	}
	let { left, asked, mayDecide }: Props = $props();
	const rate = $derived(unisonRate(left));
	const finer = $derived(
		(Object.keys(asked) as VisitPurpose[]).filter((purpose) => asked[purpose] < reachedUnison(left))
	);
	const named = $derived(
		finer.map((purpose) => `${PURPOSE_NAMES[purpose].toLowerCase()} ${fixed(asked[purpose], 2)}`).join(', ')
	);
</script>

<div class="unison">
	<p>
		Nine of ten of these unisons beat less than {fixed(rate, 2)} a second.
		{#if finer.length}Visits ask for less: {named}.{:else}That is within what every visit asks for.{/if}
	</p>
	{#if finer.length && mayDecide}
		<form method="POST" action="?/unison" use:enhance>
			<button class="btn preset-outlined-surface-300-700">Ask for no less than that</button>
		</form>
	{/if}
</div>

<style>
	.unison {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem 1.5rem;
		align-items: center;
		border-top: 1px solid var(--line);
		padding: 0.8rem 0;
	}
	p {
		flex: 1 1 24rem;
	}
</style>
