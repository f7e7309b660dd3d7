<script lang="ts">
	import { isKeyboardKind, type InstrumentKind } from '@fendrel/core';
	import { familyOfKind } from '$lib/tuning/kinds';
	import { capital, fixed, inHz, onShortDay, signed } from '$lib/ui/format';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';
	import { paperHref, type Paper } from '$lib/record/papers';

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
		/** Reeds and frets have no A4 of their own, and other papers; reeds have no temperament either. */
		kind: InstrumentKind;
	}
	let { visits, instrumentId, mayWork, kind }: Props = $props();
	const isReeds = $derived(kind === 'reeds');
	const isKeyboard = $derived(isKeyboardKind(kind));
	const papers = $derived<readonly Paper[]>(isKeyboard ? ['report', 'card'] : []);
</script>

<ScrollTable label="Visits">
	<table class="rule-table">
		<thead>
			<tr>
				<th>Day</th>
				{#if !isReeds}<th>Temperament</th>{/if}
				<th class="figure">Found, cents</th>
				{#if isKeyboard}<th class="figure">A4 left, Hz</th>{/if}
				<th class="figure">{capital(familyOfKind(kind).group.many)} set</th>
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
					{#if !isReeds}<td>{visit.temperament}</td>{/if}
					<td class="figure">{visit.found === undefined ? '–' : signed(visit.found)}</td>
					{#if isKeyboard}<td class="figure">{visit.a4Left === undefined ? '–' : inHz(visit.a4Left)}</td>{/if}
					<td class="figure">{visit.notesSet}</td>
					<td class="figure">{visit.movedMean === undefined ? '–' : fixed(visit.movedMean, 1)}</td>
					<td class="papers"
						>{#if !isKeyboard && mayWork}<a href="/visits/{visit.id}/close/card"
								>card<span class="sr-only"> of {onShortDay(visit.startedAt)}</span></a
							>{/if}{#each papers as paper (paper)}<a href={paperHref(visit.id, paper)} download
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
