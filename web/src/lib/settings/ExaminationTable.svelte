<script lang="ts">
	import { EXAMINED } from '@fendrel/core';
	import { BAND_COLUMNS, type Draft } from './draft';
	import { EXAMINED_NAMES } from './examinedNames';

	let { draft }: { draft: Draft } = $props();
</script>

<details>
	<summary><b>How strict is an examination?</b> <span class="soft">cents off the plan, by section</span></summary>
	<table>
		<thead
			><tr
				><th></th>{#each BAND_COLUMNS as { id, name } (id)}<th scope="col">{name}</th>{/each}</tr
			></thead
		>
		<tbody>
			{#each EXAMINED as section (section)}
				<tr>
					<th scope="row">{EXAMINED_NAMES[section]}</th>
					{#each BAND_COLUMNS as { id, name } (id)}
						<td
							><input
								class="input mono"
								inputmode="decimal"
								aria-label="{EXAMINED_NAMES[section]}: {name}"
								bind:value={draft.examination[section][id]}
							/></td
						>
					{/each}
				</tr>
			{/each}
		</tbody>
	</table>
	<p class="soft">
		Further off than that, three points are lost. Unisons: cents from string to string. Holding: since it was set.
	</p>
</details>

<style>
	summary {
		cursor: pointer;
		min-height: 44px;
		display: flex;
		gap: 0.75rem;
		align-items: center;
	}
	table {
		border-collapse: collapse;
		width: 100%;
		max-width: 48rem;
		table-layout: fixed;
	}
	th {
		font-weight: 400;
		text-align: left;
		font-size: 0.9rem;
		padding-right: 0.5rem;
	}
	th[scope='row'] {
		width: 14rem;
	}
	th[scope='col'],
	.mono {
		text-align: right;
	}
	td {
		padding: 0.15rem 0.5rem 0.15rem 0;
	}
</style>
