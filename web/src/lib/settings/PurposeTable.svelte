<script lang="ts">
	import { THRESHOLD_SCHOOLS, VISIT_PURPOSES } from '@fendrel/core';
	import ThresholdBands from '$lib/charts/ThresholdBands.svelte';
	import { typedNumber } from '$lib/ui/typed';
	import { PURPOSE_COLUMNS, type Draft } from './draft';
	import { PURPOSE_NAMES } from './settings';

	let { draft }: { draft: Draft } = $props();
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
	<div class="scroll">
		<table>
			<thead>
				<tr
					><th></th>{#each PURPOSE_COLUMNS as { id, name } (id)}<th scope="col">{name}</th>{/each}</tr
				>
			</thead>
			<tbody>
				{#each VISIT_PURPOSES as purpose (purpose)}
					<tr>
						<th scope="row">{PURPOSE_NAMES[purpose]}</th>
						{#each PURPOSE_COLUMNS as { id, name } (id)}
							<td
								><input
									class="input mono"
									inputmode="decimal"
									aria-label="{PURPOSE_NAMES[purpose]}: {name}"
									bind:value={draft.purposes[purpose][id]}
								/></td
							>
						{/each}
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
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
	.scroll {
		overflow-x: auto;
	}
	table {
		border-collapse: collapse;
		width: 100%;
		min-width: 44rem;
		table-layout: fixed;
	}
	th {
		font-weight: 400;
		text-align: left;
	}
	thead th {
		font-size: 0.85rem;
		color: var(--soft);
		line-height: 1.2;
		vertical-align: bottom;
		padding-bottom: 0.25rem;
	}
	tbody th {
		width: 7rem;
	}
	td {
		padding: 0.15rem 0;
		text-align: right;
	}
	thead th {
		text-align: right;
		padding-left: 1.5rem;
	}
	.input {
		display: block;
		margin-left: auto;
		width: 5.5rem;
		min-height: 44px;
		text-align: right;
	}
	.schools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.75rem;
		align-items: center;
	}
</style>
