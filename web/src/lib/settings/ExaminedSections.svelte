<script lang="ts">
	import type { Examination } from '@fendrel/core';
	import { EXAMINED_NAMES, lostWords, outOf100 } from './examinedNames';

	interface Props {
		result: Examination;
		nameOf: (note: number) => string;
	}
	let { result, nameOf }: Props = $props();
</script>

<table>
	<thead
		><tr
			><th scope="col">Section</th><th scope="col" class="figure">of 100</th><th scope="col" class="figure">read</th><th
				scope="col">lost where</th
			></tr
		></thead
	>
	<tbody>
		{#each result.sections as { section, score, read, lost } (section)}
			<tr>
				<th scope="row">{EXAMINED_NAMES[section]}</th>
				<td class="mono">{outOf100(score)}</td>
				<td class="mono">{read}</td>
				<td>{read === 0 ? 'not examined: nothing was read' : lostWords(lost, nameOf)}</td>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		border-collapse: collapse;
		width: 100%;
	}
	th,
	td {
		text-align: left;
		padding: 0.5rem 1rem 0.5rem 0;
		border-top: 1px solid var(--line);
		vertical-align: top;
	}
	thead th {
		font-weight: 400;
		color: var(--soft);
		border-top: 0;
	}
	tbody th {
		font-weight: 600;
		white-space: nowrap;
	}
	td.mono,
	.figure {
		text-align: right;
	}
</style>
