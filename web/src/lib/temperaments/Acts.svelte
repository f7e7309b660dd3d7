<script lang="ts">
	import type { StoredTemperament } from '$lib/tuning/storedTemperament';

	interface Props {
		stored: StoredTemperament;
		root: number;
		/** Root and A4 as an address has them. */
		query: string;
		ondelete: () => void;
	}
	let { stored, root, query, ondelete }: Props = $props();
</script>

<div class="acts">
	<a class="btn preset-filled-brand" href="/temperaments/{stored.slug}/bearing-plan?{query}">Bearing plan</a>
	<a class="btn preset-outlined-surface-300-700" href="/temperaments/design?from={stored.slug}&root={root}"
		>Design from it</a
	>
	<a class="btn preset-outlined-surface-300-700" href="/temperaments/compare?with=equal,{stored.slug}">Compare</a>
	{#if stored.own}
		<a class="btn preset-outlined-surface-300-700" href="/temperaments/{stored.slug}/edit">Edit</a>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={ondelete}>Delete</button>
	{/if}
</div>

<style>
	.acts {
		display: flex;
		gap: 0.5rem;
		flex-wrap: wrap;
		align-content: start;
	}
</style>
