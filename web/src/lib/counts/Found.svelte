<script lang="ts">
	import type { Analysis } from './analysis.svelte';
	import Findings from './Findings.svelte';
	import { refusalWords } from './countWords';
	import { fixed } from '$lib/ui/format';

	interface Props {
		analysis: Analysis;
		/** The note that a fork gives. */
		reference: number;
		tolerance: number;
		/** These counts have been kept as they are. */
		kept: boolean;
		onkeep: () => void;
	}
	let { analysis, reference, tolerance = $bindable(), kept, onkeep }: Props = $props();
	const TOLERANCES = [1, 1.5, 2, 3];
	const { answer, found, finding, several, undecided, shown } = $derived(analysis);
</script>

{#if answer?.kind === 'refused'}
	<p>{refusalWords(answer.why).advice}</p>
{:else if found && finding}
	{#if several}
		<p>
			Choose wide or narrow for {undecided.join(', ')}. Widen the interval on purpose and hear whether the beat gets
			faster.
		</p>
		<div class="row" role="group" aria-label="Octaves that fit">
			{#each found.findings as each, i (i)}
				<button type="button" class="choice" aria-pressed={shown === i} onclick={() => (analysis.shown = i)}
					>{i + 1}<span class="soft"> misfit {fixed(each.solution.chiSquared, 1)}</span></button
				>
			{/each}
		</div>
	{/if}
	<div class="row">
		<label
			>A note may stay within
			<select class="select fit" bind:value={tolerance}>
				{#each TOLERANCES as each (each)}<option value={each}>{each} cents</option>{/each}
			</select></label
		>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={onkeep}>Keep these counts</button>
		{#if kept}<span class="soft">Kept.</span>{/if}
	</div>
	<Findings {finding} {reference} />
{/if}

<style>
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.25rem;
		align-items: center;
	}
	label {
		display: flex;
		gap: 0.5rem;
		align-items: center;
	}
</style>
