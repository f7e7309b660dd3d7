<script lang="ts">
	import { PLATES, type Plate } from '@fendrel/core';
	import { fixed, signed } from '$lib/ui/format';
	import type { ReedState } from '../reedVisit.svelte';

	let { reeds }: { reeds: readonly ReedState[] } = $props();
	const holes = $derived([...new Set(reeds.map(({ hole }) => hole))]);
	const at = (plate: Plate, hole: number) =>
		reeds.find((reed) => reed.plate === plate && reed.hole === hole && reed.role === 'own');
	const plates = $derived(PLATES.filter((plate) => reeds.some((reed) => reed.plate === plate)));
</script>

<table class="figure-table">
	<thead>
		<tr
			><th scope="col">Hole</th>{#each holes as hole (hole)}<th scope="col" class="figure">{hole}</th>{/each}</tr
		>
	</thead>
	<tbody>
		{#each plates as plate (plate)}
			<tr>
				<th scope="row">{plate === 'blow' ? 'Blow' : 'Draw'}, c/dB</th>
				{#each holes as hole (hole)}
					{@const standing = at(plate, hole)?.standing}
					<td>{standing?.isSlopeRead ? signed(standing.slope.slope, 2) : '–'}</td>
				{/each}
			</tr>
			<tr class="second">
				<th scope="row">wobbles by, c</th>
				{#each holes as hole (hole)}
					{@const standing = at(plate, hole)?.standing}
					<td>{standing ? fixed(standing.wobble, 1) : '–'}</td>
				{/each}
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		width: 100%;
		table-layout: fixed;
	}
	thead th:first-child {
		width: 7.5rem;
	}
	.second {
		color: var(--soft);
	}
</style>
