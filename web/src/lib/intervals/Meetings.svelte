<script lang="ts">
	import { noteName, type Coincidence } from '@fendrel/core';
	import { counted, signed } from '$lib/ui/format';
	import { meetingName } from './meeting';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';

	interface Props {
		/** Where partials of the two notes meet, the most useful to an ear first. */
		meetings: readonly Coincidence[];
		chosen: Coincidence | undefined;
		onchoose: (meeting: Coincidence) => void;
	}
	let { meetings, chosen, onchoose }: Props = $props();
</script>

<section aria-label="All coincidences">
	<h2 class="panel-heading">
		Where do the partials meet? <span>{counted(meetings.length, 'pair')}, the most useful to an ear first</span>
	</h2>
	<ScrollTable tall="22rem" label="Where the partials meet">
		<table class="rule-table">
			<thead>
				<tr>
					<th>Pair</th>
					<th class="figure">beats per second</th>
					<th class="figure">cents apart</th>
					<th class="figure">heard at, Hz</th>
					<th>silent key</th>
					<th>use to an ear</th>
				</tr>
			</thead>
			<tbody>
				{#each meetings as each (meetingName(each))}
					<tr class:chosen={each === chosen}>
						<td><button type="button" class="pick mono" onclick={() => onchoose(each)}>{meetingName(each)}</button></td>
						<td class="figure">{signed(each.rate, 2)}</td>
						<td class="figure">{signed(each.apart, 1)}</td>
						<td class="figure">{each.heardAt.toFixed(1)}</td>
						<td>{noteName(each.silentKey)}</td>
						<td><span class="use" style="width: {Math.round(90 * each.use)}px" title={each.use.toFixed(2)}></span></td>
					</tr>
				{/each}
			</tbody>
		</table>
	</ScrollTable>
</section>

<style>
	td {
		padding-block: 0.15rem;
	}
	.pick {
		min-height: 40px;
		min-width: 56px;
		text-align: left;
		color: var(--felt);
		text-decoration: underline;
		cursor: pointer;
	}
	.chosen td {
		background: var(--felt-wash);
	}
	.use {
		display: block;
		height: 0.6rem;
		background: var(--felt);
	}
</style>
