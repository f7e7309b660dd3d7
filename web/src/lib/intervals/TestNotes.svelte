<script lang="ts">
	import { noteName, type TestNote } from '@fendrel/core';

	interface Props {
		tests: readonly TestNote[];
		lower: number;
		upper: number;
		/** "4:2". */
		coincidence: string;
	}
	let { tests, lower, upper, coincidence }: Props = $props();
	const SHOWN = 4;
	const [best] = $derived(tests);
	const faster = $derived(best && (best.fasterMeansWide === 'upper' ? noteName(upper) : noteName(lower)));
</script>

<section aria-label="Test notes">
	<h2 class="panel-heading">Which test notes prove it? <span>for {coincidence}</span></h2>
	{#if best}
		<p class="verdict">
			Play {noteName(best.note)} with {noteName(lower)}, then with {noteName(upper)}.
		</p>
		<p>
			As it should be: {Math.abs(best.withLower).toFixed(1)} and {Math.abs(best.withUpper).toFixed(1)} per second, so
			{best.says === 'pure' ? 'alike: pure' : `a trace ${best.says}`}. Faster with {faster} means wide, slower narrow, alike
			pure. {noteName(best.note)} itself need not be in tune.
		</p>
		<table class="rule-table">
			<thead>
				<tr>
					<th>Test note</th>
					<th class="figure">partial</th>
					<th class="figure">with {noteName(lower)}</th>
					<th class="figure">with {noteName(upper)}</th>
					<th>why</th>
				</tr>
			</thead>
			<tbody>
				{#each tests.slice(0, SHOWN) as { note, partial, withLower, withUpper, why } (100 * note + partial)}
					<tr>
						<td><b>{noteName(note)}</b></td>
						<td class="figure">{partial}</td>
						<td class="figure">{Math.abs(withLower).toFixed(1)}</td>
						<td class="figure">{Math.abs(withUpper).toFixed(1)}</td>
						<td class="why">{why}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{:else}
		<p>
			No note of this instrument beats with both at 3 to 12 per second there. Listen to the interval itself, or choose
			another coincidence.
		</p>
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.5rem;
		align-content: start;
	}
	.verdict {
		font-size: 1.3rem;
	}
	.why {
		font-size: 0.9rem;
		color: var(--soft);
		padding-left: 0.75rem;
	}
	td {
		padding-block: 0.35rem;
	}
</style>
