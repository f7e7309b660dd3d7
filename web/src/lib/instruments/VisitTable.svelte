<script lang="ts">
	import { inHz, onShortDay, signed } from '$lib/ui/format';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';
	import { paperHref } from '$lib/record/papers';

	interface Props {
		visits: readonly {
			readonly id: string;
			readonly startedAt: Date;
			readonly temperament: string;
			readonly a4: number;
			readonly a4Left: number | undefined;
			readonly found: number | undefined;
			readonly notesSet: number;
			readonly movedMean: number | undefined;
			readonly note: string;
		}[];
		instrumentId: string;
		/** Whether who looks may open a visit. */
		mayWork: boolean;
	}
	let { visits, instrumentId, mayWork }: Props = $props();
</script>

<ScrollTable label="Visits">
	<table class="rule-table">
		<thead>
			<tr>
				<th>Day</th>
				<th>Temperament</th>
				<th class="figure">Found, cents</th>
				<th class="figure">A4 left, Hz</th>
				<th class="figure">Notes set</th>
				<th class="figure">Mean move, cents</th>
				<th>Papers</th>
				<th>Note</th>
			</tr>
		</thead>
		<tbody>
			{#each visits as visit (visit.id)}
				<tr>
					<td>
						{#if mayWork}<a href="/visits/{visit.id}/close">{onShortDay(visit.startedAt)}</a>{:else}{onShortDay(
								visit.startedAt
							)}{/if}
					</td>
					<td>{visit.temperament}</td>
					<td class="figure">{visit.found === undefined ? '–' : signed(visit.found)}</td>
					<td class="figure">{visit.a4Left === undefined ? '–' : inHz(visit.a4Left)}</td>
					<td class="figure">{visit.notesSet}</td>
					<td class="figure">{visit.movedMean === undefined ? '–' : visit.movedMean.toFixed(1)}</td>
					<td class="papers"
						>{#each ['report', 'card'] as const as paper (paper)}<a href={paperHref(visit.id, paper)} download
								>{paper}<span class="sr-only"> of {onShortDay(visit.startedAt)}</span></a
							>{/each}{#if mayWork}<a href="/instruments/{instrumentId}/readings?visit={visit.id}"
								>readings<span class="sr-only"> of {onShortDay(visit.startedAt)}</span></a
							>{/if}</td
					>
					<td class="note">{visit.note}</td>
				</tr>
			{/each}
		</tbody>
	</table>
</ScrollTable>

<style>
	td:first-child {
		white-space: nowrap;
	}
	th.figure {
		font-family: inherit;
		white-space: normal;
		max-width: 6rem;
	}
	.papers {
		white-space: nowrap;
	}
	.papers a + a {
		margin-left: 0.75rem;
	}
	.note {
		color: var(--soft);
		min-width: 14rem;
		max-width: 24rem;
		overflow-wrap: anywhere;
	}
</style>
