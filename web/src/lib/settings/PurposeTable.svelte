<script lang="ts">
	import { THRESHOLD_SCHOOLS, VISIT_PURPOSES } from '@fendrel/core';
	import ThresholdBands from '$lib/charts/ThresholdBands.svelte';
	import { typedNumber } from '$lib/ui/typed';
	import FiguresTable from './FiguresTable.svelte';
	import type { SettingLines } from './lines';
	import { PURPOSE_COLUMNS, type Draft } from './draft';
	import { PURPOSE_NAMES } from './settings';

	let { draft, lines }: { draft: Draft; lines: SettingLines } = $props();
	const ROWS = VISIT_PURPOSES.map((id) => ({ id, name: PURPOSE_NAMES[id] }));
	const rows = $derived(
		VISIT_PURPOSES.map((id) => {
			const { touchUp, tune, correct } = draft.purposes[id];
			const [a, b, c] = [touchUp, tune, correct].map((text) => typedNumber(text) || 0);
			return { id, name: PURPOSE_NAMES[id], touchUp: a, tune: b, correct: c };
		})
	);
	function take({ thresholds }: (typeof THRESHOLD_SCHOOLS)[number]) {
		for (const id of VISIT_PURPOSES)
			for (const key of ['touchUp', 'tune', 'correct', 'followUp'] as const)
				draft.purposes[id][key] = String(thresholds[key]);
	}
</script>

<section aria-label="When is which work asked for?">
	<h2>
		<b>When is which work asked for?</b>
		<span>by how far the worst section stands off, and what the instrument is for</span>
	</h2>
	<ThresholdBands {rows} />
	<FiguresTable rows={ROWS} columns={PURPOSE_COLUMNS} figures={draft.purposes} path="purposes" {lines} />
	<p class="schools">
		<span class="soft">Limits by school:</span>
		{#each THRESHOLD_SCHOOLS as school (school.id)}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => take(school)}
				>{school.name}</button
			>
		{/each}
		<span class="soft">A string that may stand 0 cents off is set in any case.</span>
	</p>
</section>

<style>
	section {
		display: grid;
		gap: 0.5rem;
	}
	.schools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.75rem;
		align-items: center;
	}
</style>
