<script lang="ts">
	import { CIRCLE_FROM_C, keyCharacters, noteClassName, type StiffString } from '@fendrel/core';
	import { fixed, signed } from '$lib/ui/format';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';

	let { strings }: { strings: (note: number) => StiffString } = $props();
	const keys = $derived(keyCharacters(strings));
	const rows = $derived(CIRCLE_FROM_C.map((root) => ({ root, major: keys[root], minor: keys[12 + root] })));
	const roughest = $derived(Math.max(1.5, ...keys.map(({ roughness }) => roughness)));
</script>

{#snippet rough(value: number)}
	<td class="bar"><div><b>{fixed(value, 2)}</b><span style="width: {(100 * value) / roughest}%"></span></div></td>
{/snippet}

<ScrollTable label="Character of the keys">
	<table class="figure-table">
		<thead>
			<tr>
				<th rowspan="2">Key</th>
				<th colspan="4" class="group">major</th>
				<th colspan="4" class="group">minor</th>
			</tr>
			<tr>
				<th class="figure">third</th><th class="figure">minor third</th><th class="figure">fifth</th><th
					>beating, equal = 1</th
				>
				<th class="figure">minor third</th><th class="figure">third</th><th class="figure">fifth</th><th
					>beating, equal = 1</th
				>
			</tr>
		</thead>
		<tbody>
			{#each rows as { root, major, minor } (root)}
				<tr>
					<th scope="row">{noteClassName(root)}</th>
					<td>{signed(major.major.rate)}</td>
					<td>{signed(major.minor.rate)}</td>
					<td>{signed(major.fifth.rate)}</td>
					{@render rough(major.roughness)}
					<td>{signed(minor.minor.rate)}</td>
					<td>{signed(minor.major.rate)}</td>
					<td>{signed(minor.fifth.rate)}</td>
					{@render rough(minor.roughness)}
				</tr>
			{/each}
		</tbody>
	</table>
</ScrollTable>

<style>
	.group {
		text-align: center;
	}
	tbody th {
		color: var(--ink);
		font-size: 0.95rem;
	}
	.bar {
		width: 8rem;
	}
	.bar div {
		display: grid;
		grid-template-columns: 2.4rem 1fr;
		align-items: center;
		gap: 0.4rem;
	}
	.bar span {
		height: 0.6rem;
		background: var(--felt);
	}
</style>
