<script lang="ts">
	import type { HeardUnison } from '../lastStrike.svelte';
	import { unisonWords } from './unisonWords';

	let { heard, a4 }: { heard: HeardUnison; a4: number } = $props();
	const words = $derived(unisonWords(heard, a4));
</script>

<section aria-label="The last strike, closer">
	<h2 class="panel-heading">{words.title} <span>the last strike, closer</span></h2>
	<p class="spread"><b>{words.figure}</b> <span>{words.unit}</span></p>
	{#if words.beats.length}
		<table>
			<thead><tr><th>partial</th><th>heard at</th><th class="figure">beats/s</th><th>how deep</th></tr></thead>
			<tbody>
				{#each words.beats.slice(0, 5) as { partial, at, rate, depth } (partial)}
					<tr><td>{partial}</td><td>{at}</td><td class="figure">{rate}</td><td class="soft">{depth}</td></tr>
				{/each}
			</tbody>
		</table>
	{/if}
	<p class="how">{words.how}</p>
</section>

<style>
	.spread b {
		font-family: var(--mono);
		font-weight: 600;
		font-size: 2.4rem;
		line-height: 1.2;
	}
	.spread span {
		color: var(--soft);
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 0.92rem;
	}
	th {
		text-align: left;
		font-weight: 600;
		font-size: 0.85rem;
		color: var(--soft);
	}
	td {
		font-family: var(--mono);
		padding: 0.1rem 0;
	}
	td.soft {
		font-family: inherit;
	}
	.figure {
		text-align: right;
		padding-right: 0.8rem;
	}
	.how {
		font-size: 0.92rem;
		line-height: 1.4;
		margin-top: 0.4rem;
	}
</style>
