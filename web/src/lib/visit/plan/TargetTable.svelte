<script lang="ts">
	import { hz, INTERVALS, isFollowed, noteName, type IntervalKind, type NoteTarget } from '@fendrel/core';
	import { fixed, signed } from '$lib/ui/format';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';

	let { targets }: { targets: readonly NoteTarget[] } = $props();
	let box = $state<HTMLElement>();
	/** The table opens where the work begins. */
	const FIRST_SHOWN = 53;
	$effect(() => {
		const row = box?.querySelector<HTMLElement>(`[data-note="${FIRST_SHOWN}"]`);
		const head = box?.querySelector('thead');
		if (box && row && head) box.scrollTop = row.offsetTop - head.offsetHeight;
	});
	/** Empty where the keyboard ends, and where no ear follows the beat. */
	function beats(rate: number | undefined, { lowerPartial, upperPartial }: IntervalKind, pitch: number) {
		const heardAt = hz(lowerPartial * pitch);
		if (rate === undefined || !isFollowed(rate, lowerPartial, upperPartial, heardAt)) return '';
		return signed(rate, Math.abs(rate) < 10 ? 2 : 1);
	}
</script>

<ScrollTable bind:box label="Targets of every note">
	<table>
		<thead>
			<tr>
				<th rowspan="2">Note</th>
				<th rowspan="2" class="figure">Target, Hz</th>
				<th rowspan="2" class="figure">From equal,<br />cents</th>
				<th colspan="3" class="figure group">Beats per second of the interval above it</th>
			</tr>
			<tr>
				<th class="figure">minor third</th>
				<th class="figure">major third</th>
				<th class="figure">fifth</th>
			</tr>
		</thead>
		<tbody>
			{#each targets as { note, pitch, fromEqual, minorThird, majorThird, fifth } (note)}
				<tr class:c={note % 12 === 0} data-note={note}>
					<th scope="row">{noteName(note)}</th>
					<td>{fixed(pitch, 2)}</td>
					<td>{signed(fromEqual, 2)}</td>
					<td>{beats(minorThird, INTERVALS.minorThird, pitch)}</td>
					<td>{beats(majorThird, INTERVALS.majorThird, pitch)}</td>
					<td>{beats(fifth, INTERVALS.fifth, pitch)}</td>
				</tr>
			{/each}
		</tbody>
	</table>
</ScrollTable>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
	}
	thead {
		position: sticky;
		top: 0;
		background: var(--ground);
	}
	th {
		font-weight: 600;
		font-size: 0.85rem;
		color: var(--soft);
		text-align: left;
		padding: 0.15rem 0.5rem;
		vertical-align: bottom;
		line-height: 1.2;
	}
	thead tr:last-child th,
	thead th[rowspan] {
		border-bottom: 1px solid var(--line);
		padding-bottom: 0.35rem;
	}
	.figure,
	td {
		text-align: right;
	}
	.group {
		font-weight: 400;
	}
	td {
		font-family: var(--mono);
		font-size: 0.95rem;
		padding: 0.15rem 0.5rem;
	}
	tbody th {
		color: var(--ink);
		font-size: 0.95rem;
	}
	.c th,
	.c td {
		border-top: 1px solid var(--line);
	}
</style>
