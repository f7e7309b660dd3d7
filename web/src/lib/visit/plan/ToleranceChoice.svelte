<script lang="ts">
	import { TOLERANCES } from '@fendrel/core';
	import type { OpenVisit } from '../openVisit.svelte';

	interface Props {
		open: OpenVisit;
		/** What it means here. */
		hint: string;
	}
	let { open, hint }: Props = $props();
	const tolerance = $derived(open.visit.tolerance);
</script>

<fieldset>
	<legend>Tolerance <span class="soft">{hint}</span></legend>
	<div class="presets">
		{#each TOLERANCES as each (each)}
			<button
				type="button"
				class="choice mono"
				aria-pressed={tolerance === each}
				onclick={() => each !== tolerance && open.replan({ tolerance: each })}>{each}</button
			>
		{/each}
	</div>
</fieldset>

<style>
	legend {
		font-weight: 600;
		margin-bottom: 0.2rem;
	}
	legend span {
		font-weight: 400;
	}
	.presets {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
	}
	.choice {
		padding: 0 0.35rem;
	}
</style>
