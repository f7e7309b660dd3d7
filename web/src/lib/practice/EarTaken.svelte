<script lang="ts">
	import { DEFAULT_EAR, planError, type Ear } from '@fendrel/core';
	import { enhance } from '$app/forms';
	import { fixed } from '$lib/ui/format';

	interface Props {
		/** As practice has measured it; undefined: not yet. */
		practised: Ear | undefined;
		/** The one that was taken over. */
		taken: Ear | undefined;
		isOwn: boolean;
	}
	let { practised, taken, isOwn }: Props = $props();
	const perSecond = (value: number) => fixed(value, 2);
	const percent = (share: number) => `${fixed(100 * share, 0)} %`;
	const erring = (ear: Ear) => `${fixed(planError(ear), 2)} cents`;
</script>

<div class="ear">
	{#if practised}
		<p>
			An ear for rates: {perSecond(practised.floor)} a second where beats are slow, {percent(practised.share)} where they
			are quick. Round the circle of fifths it errs by {erring(practised)}; the ear that plans reckon with otherwise by {erring(
				DEFAULT_EAR
			)}.
			{#if taken}Bearing plans reckon with {perSecond(taken.floor)} a second and {percent(taken.share)}, taken over from
				here.{/if}
		</p>
	{:else}<p class="soft">Once both rates have been practised, bearing plans can reckon with your own ear.</p>{/if}
	{#if isOwn}
		<form method="POST" action="?/ear" use:enhance>
			{#if practised}<button class="btn preset-filled-brand" name="take" value="yes">Use it in bearing plans</button
				>{/if}
			{#if taken}<button class="btn preset-outlined-surface-300-700" name="take" value="no"
					>Do not use it any more</button
				>{/if}
		</form>
	{/if}
</div>

<style>
	.ear {
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
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
	}
</style>
