<script lang="ts">
	import Moves from '$lib/charts/Moves.svelte';
	import CompareForm from '$lib/instruments/CompareForm.svelte';
	import { driftRows, driftVerdict, factRows } from '$lib/instruments/comparisonWords';
	import { onShortDay } from '$lib/ui/format';

	let { data } = $props();
	const { instrument, comparison, visits, asked } = $derived(data);
	const between = $derived(
		comparison?.notes.flatMap(({ note, leftThen, found }) =>
			leftThen === undefined || found === undefined ? [] : [{ note, found: leftThen, left: found }]
		) ?? []
	);
</script>

<svelte:head><title>Two visits to {instrument.name} | Fendrel</title></svelte:head>

<h1><a href="/instruments/{instrument.id}">{instrument.name}</a></h1>
<CompareForm instrumentId={instrument.id} {visits} before={asked.before} after={asked.after} />
{#if comparison}
	<p class="verdict" data-testid="drift">{driftVerdict(comparison)}</p>
	<div class="two">
		<div class="picture">
			<Moves
				records={between}
				lowest={instrument.lowest}
				highest={instrument.highest}
				asks="What moved by itself?"
				from="left on {onShortDay(comparison.before.startedAt)}"
				to="found on {onShortDay(comparison.after.startedAt)}"
				zero="the later plan"
			/>
		</div>
		<div>
			<table class="figure-table" aria-label="Sections of both visits">
				<thead
					><tr
						><th>Cents</th>{#each comparison.sections as { id } (id)}<th class="figure">{id}</th>{/each}</tr
					></thead
				>
				<tbody>
					{#each driftRows(comparison) as [name, ...figures] (name)}
						<tr
							><th>{name}</th>{#each figures as figure, i (i)}<td class="figure">{figure}</td>{/each}</tr
						>
					{/each}
				</tbody>
			</table>
			<table class="rule-table" aria-label="Both visits">
				<thead
					><tr
						><th></th>{#each [comparison.before, comparison.after] as { id, startedAt } (id)}<th
								><a href="/visits/{id}/close">{onShortDay(startedAt)}</a></th
							>{/each}</tr
					></thead
				>
				<tbody>
					{#each factRows(comparison) as [name, before, after] (name)}
						<tr><th>{name}</th><td>{before}</td><td>{after}</td></tr>
					{/each}
				</tbody>
			</table>
		</div>
	</div>
{:else}
	<p class="verdict">Choose two different visits.</p>
{/if}

<style>
	.verdict {
		font-size: 1.7rem;
		margin: 1rem 0;
	}
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
		gap: 2.5rem;
	}
	.picture {
		height: 24rem;
	}
	.figure {
		text-align: right;
	}
	.rule-table {
		margin-top: 1.25rem;
		width: 100%;
	}
	.rule-table td {
		overflow-wrap: anywhere;
	}
	.rule-table tbody :is(th, td) {
		vertical-align: baseline;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
