<script lang="ts">
	import type { HeardUnison } from '$lib/listening/lastStrike.svelte';
	import { unisonWords } from './unisonWords';

	interface Props {
		heard: HeardUnison;
		a4: number;
		/** Only its beats: the rest stands elsewhere. */
		isBrief?: boolean;
	}
	let { heard, a4, isBrief = false }: Props = $props();
	const words = $derived(unisonWords(heard, a4));
</script>

<section aria-label="The last strike, closer">
	{#if !isBrief}
		<h2 class="panel-heading">{words.title} <span>the last strike, closer</span></h2>
		<p class="spread"><b>{words.figure}</b> <span>{words.unit}</span></p>
	{/if}
	{#if words.beats.length}
		<table>
			<thead><tr><th>partial</th><th>heard at</th><th class="figure">beats/s</th><th>how deep</th></tr></thead>
			<tbody>
				{#each words.beats.slice(0, isBrief ? 3 : 5) as { partial, at, rate, depth } (partial)}
					<tr><td>{partial}</td><td>{at}</td><td class="figure">{rate}</td><td class="soft">{depth}</td></tr>
				{/each}
			</tbody>
		</table>
	{/if}
	{#if !isBrief}<p class="how">{words.how}</p>{/if}
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
