<script lang="ts">
	import { noteName, type IntervalRun } from '@fendrel/core';
	import { signed } from '$lib/ui/format';

	interface Props {
		runs: readonly IntervalRun[];
		onselect: (note: number) => void;
	}
	let { runs, onselect }: Props = $props();
</script>

<table>
	<thead>
		<tr><th>type</th><th>worst place</th><th class="figure">cents</th><th class="figure">beats/s</th></tr>
	</thead>
	<tbody>
		{#each runs as run (run.kind.name)}
			<tr>
				<th scope="row">{run.kind.name}</th>
				{#if run.worst}
					<td class="place"
						><button type="button" onclick={() => onselect(run.worst!.lower)}
							>{noteName(run.worst.lower)}-{noteName(run.worst.upper)}</button
						></td
					>
					<td>{signed(run.worst.cents)}</td>
					<td>{signed(run.worst.rate)}</td>
				{:else}<td class="place" colspan="3">not on this keyboard</td>{/if}
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 0.86rem;
		line-height: 1.25;
	}
	th {
		text-align: left;
		font-weight: 600;
		color: var(--soft);
	}
	tbody th,
	td {
		font-family: var(--mono);
		white-space: nowrap;
	}
	tbody th {
		color: var(--ink);
	}
	td,
	.figure {
		text-align: right;
	}
	td.place {
		text-align: left;
	}
	button {
		cursor: pointer;
		min-height: 26px;
		text-decoration: underline;
		text-decoration-color: var(--faint);
		text-underline-offset: 3px;
	}
</style>
