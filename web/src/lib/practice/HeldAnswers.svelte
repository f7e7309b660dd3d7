<script lang="ts">
	import { HELD_STRINGS, HELD_WITHIN, noteName, type SetTrial } from '@fendrel/core';
	import SetTrials from '$lib/charts/SetTrials.svelte';
	import { fixed } from '$lib/ui/format';

	let { trials }: { trials: readonly SetTrial[] } = $props();
</script>

{#if trials.length}
	<section aria-label="Answers">
		<h2 class="panel-heading">
			How far did each move in ten minutes? <span class="soft">cents; under {HELD_WITHIN} it held</span>
		</h2>
		<SetTrials
			offs={trials.map(({ set }) => set)}
			least={1}
			most={HELD_STRINGS}
			names={trials.map(({ note }) => noteName(note!))}
			label={(off) => fixed(off, 2)}
		/>
	</section>
{/if}
