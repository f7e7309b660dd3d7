<script lang="ts">
	import { intervalSizes, noteClassName, offsetsFromEqual } from '@fendrel/core';
	import { fixed, signed } from '$lib/ui/format';
	import type { Tuned } from './figures';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';

	let { temperament }: { temperament: Tuned } = $props();
	let zero = $state(9);
	const rows = $derived([
		{ title: `Offset, ${noteClassName(zero)} = 0`, values: offsetsFromEqual(temperament, zero), sign: true },
		{ title: 'Major third', values: intervalSizes(temperament, 4), sign: false },
		{ title: 'Minor third', values: intervalSizes(temperament, 3), sign: false },
		{ title: 'Fifth', values: intervalSizes(temperament, 7), sign: false }
	]);
</script>

<ScrollTable label="Offsets and intervals in cents">
	<table class="figure-table">
		<thead>
			<tr>
				<th
					>cents
					<button type="button" onclick={() => (zero = zero === 9 ? 0 : 9)}
						>{zero === 9 ? 'count from C' : 'count from A'}</button
					></th
				>
				{#each { length: 12 } as _, i (i)}<th class="figure">{noteClassName(i)}</th>{/each}
			</tr>
		</thead>
		<tbody>
			{#each rows as { title, values, sign } (title)}
				<tr>
					<th scope="row">{title}</th>
					{#each values as value, i (i)}<td>{sign ? signed(value, 2) : fixed(value, 1)}</td>{/each}
				</tr>
			{/each}
		</tbody>
	</table>
</ScrollTable>

<style>
	thead .figure {
		color: var(--ink);
		font-size: 0.95rem;
	}
	button {
		font-weight: 400;
		text-decoration: underline;
		color: var(--felt);
		cursor: pointer;
		min-height: 32px;
		padding: 0 0.4rem;
	}
</style>
