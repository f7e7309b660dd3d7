<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		legend: string;
		/** What it means, or what is usual. */
		hint?: string;
		values: readonly number[];
		chosen: number;
		onchoose: (value: number) => void;
		/** Stands behind the values: any other one. */
		other?: Snippet;
		/** Beneath them. */
		children?: Snippet;
	}
	let { legend, hint, values, chosen, onchoose, other, children }: Props = $props();
</script>

<fieldset>
	<legend
		>{legend}
		{#if hint}<span class="soft">{hint}</span>{/if}</legend
	>
	<div>
		{#each values as value (value)}
			<button type="button" class="choice mono" aria-pressed={value === chosen} onclick={() => onchoose(value)}
				>{value}</button
			>
		{/each}
		{@render other?.()}
	</div>
	{@render children?.()}
</fieldset>

<style>
	legend {
		font-weight: 600;
		margin-bottom: 0.2rem;
	}
	legend span {
		font-weight: 400;
	}
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
	}
	.choice {
		padding: 0 0.35rem;
	}
</style>
