<script lang="ts">
	import { noteName, type Coincidence, type HeardBeat } from '@fendrel/core';
	import { heardSigned } from '$lib/pairs/pairWords';
	import { counted, fixed, signed } from '$lib/ui/format';
	import { meetingName } from './meeting';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';

	interface Props {
		/** Where partials of the two notes meet, the most useful to an ear first. */
		meetings: readonly Coincidence[];
		chosen: Coincidence | undefined;
		onchoose: (meeting: Coincidence) => void;
		/** What was heard there last. */
		heard: (meeting: Coincidence) => HeardBeat | undefined;
	}
	let { meetings, chosen, onchoose, heard }: Props = $props();
	const anyHeard = $derived(meetings.some(heard));
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
					{#if anyHeard}<th class="figure">heard</th>{/if}
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
						{#if anyHeard}
							{@const beat = heard(each)}
							<td class="figure heard">{beat ? heardSigned(beat) : ''}</td>
						{/if}
						<td class="figure">{signed(each.apart, 1)}</td>
						<td class="figure">{fixed(each.heardAt, 1)}</td>
						<td>{noteName(each.silentKey)}</td>
						<td><span class="use" style="width: {Math.round(90 * each.use)}px" title={fixed(each.use, 2)}></span></td>
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
	.heard {
		color: var(--felt);
		white-space: nowrap;
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
