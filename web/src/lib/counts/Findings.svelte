<script lang="ts">
	import { noteName } from '@fendrel/core';
	import Staircase from '$lib/charts/Staircase.svelte';
	import type { Finding } from '$lib/workers/proving';
	import { rateWords } from '$lib/ui/beats';
	import { fixed, signed } from '$lib/ui/format';
	import { inversionWords } from '$lib/pairs/inversionWords';
	import { keyOrderWords, nearestWords } from './countWords';
	import { pairName } from '$lib/ui/beats';

	let { finding, reference }: { finding: Finding; reference: number } = $props();
	const { measured, residuals, contradictions, bias } = $derived(finding.solution);
	const moves = $derived(new Map(finding.moves.moves.map(({ note, by }) => [note, by])));
	const rows = $derived(
		measured.notes.map((note, i) => ({
			note,
			deviation: measured.deviations[i],
			error: Math.sqrt(measured.covariance[i][i]),
			by: moves.get(note)
		}))
	);
	const thirds = $derived(finding.staircases.find(([name]) => name === 'majorThird')?.[1] ?? []);
	const departing = $derived(
		finding.staircases
			.flatMap(([, treads]) => treads)
			.filter(({ departs }) => departs)
			.sort((a, b) => Math.abs(b.found - b.predicted) - Math.abs(a.found - a.predicted))
	);
	const SHOWN = 6;
	/** Counts whose side of pure was not said. */
	const open = $derived(residuals.filter(({ count }) => count.sense === 'unknown'));
</script>

{#each contradictions as { index, expected, otherSense } (index)}
	<p class="notice">
		<b>{pairName(residuals[index].count)}</b> contradicts the others: counted {fixed(residuals[index].count.rate, 1)}
		{residuals[index].sense}, the others ask for {rateWords(expected)}.
		{otherSense ? 'The rate is right, but wide and narrow were mixed up.' : 'Count it again. It is left out here.'}
	</p>
{/each}
<div class="two">
	<table class="rule-table">
		<thead>
			<tr><th>Note</th><th class="figure">cents out</th><th class="figure">±</th><th>do</th></tr>
		</thead>
		<tbody>
			{#each rows as { note, deviation, error, by } (note)}
				<tr class:move={by !== undefined}>
					<td><b>{noteName(note)}</b></td>
					<td class="figure">{note === reference ? '0' : signed(deviation)}</td>
					<td class="figure soft">{note === reference ? 'fork' : fixed(error, 1)}</td>
					<td>{by === undefined ? '' : `${by > 0 ? 'raise' : 'lower'} ${fixed(Math.abs(by), 1)}`}</td>
				</tr>
			{/each}
		</tbody>
	</table>
	<div class="said">
		{#if finding.whole}
			<p>{nearestWords(finding)}</p>
			<p>{keyOrderWords(finding)}</p>
		{:else}
			<p class="soft">Count all twelve notes to compare the octave with the library.</p>
		{/if}
		{#each finding.inversions.slice(0, SHOWN) as inversion (pairName(inversion.from) + inversion.to.kind.name)}
			<p>{inversionWords(inversion)}</p>
		{:else}
			<p>No third or sixth steps the wrong way.</p>
		{/each}
		{#if departing.length}
			<p class="soft">
				Furthest from what was intended: {departing
					.slice(0, 3)
					.map(
						(each) =>
							`${pairName(each)} ${fixed(Math.abs(each.found), 1)} instead of ${fixed(Math.abs(each.predicted), 1)} (±${fixed(each.error, 1)})`
					)
					.join(', ')}.
			</p>
		{/if}
		{#if open.length}
			<p class="soft">
				Wide or narrow was left open {open.length === 1 ? 'once' : `${open.length} times`}. Read here as {open
					.slice(0, SHOWN)
					.map(({ count, sense }) => `${pairName(count)} ${sense}`)
					.join(', ')}{open.length > SHOWN ? ' and so on' : ''}; to be certain, say it.
			</p>
		{/if}
		{#if Math.abs(bias) >= 0.05}
			<p class="soft">
				Your counts seem to run {fixed(Math.abs(bias), 2)} per second too {bias > 0 ? 'fast' : 'slow'}; that is taken
				out.
			</p>
		{/if}
	</div>
</div>
{#if thirds.length > 2}
	<h2 class="panel-heading">How do the major thirds step? <span>as found; beats per second by the lower note</span></h2>
	<Staircase
		treads={thirds.map(({ lower, found }) => ({ note: lower, rate: found }))}
		beside={thirds.map(({ lower, predicted }) => ({ note: lower, rate: predicted }))}
		interval="major thirds as found"
	/>
	<p class="soft small">Dashed: as intended.</p>
{/if}

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(15.5rem, 1fr) minmax(0, 1fr);
		gap: 1rem 2rem;
	}
	.said {
		display: grid;
		gap: 0.5rem;
		align-content: start;
	}
	td {
		padding-block: 0.2rem;
	}
	.move td {
		background: var(--felt-wash);
		font-weight: 700;
	}
	.small {
		font-size: 0.88rem;
	}
	@media (max-width: 700px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
