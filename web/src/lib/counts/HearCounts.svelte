<script lang="ts">
	import { countedKind } from '@fendrel/core';
	import ListenBar from '$lib/pairs/ListenBar.svelte';
	import type { PairListening } from '$lib/pairs/pairListening.svelte';
	import { refusedWords, untoldWords, wordOf } from '$lib/pairs/pairWords';
	import { pairName } from '$lib/ui/beats';
	import type { Board } from './board.svelte';

	let { pairs, board }: { pairs: PairListening; board: Board } = $props();
	const { word, listening } = $derived(pairs);
	/** Intervals that were struck here: what could not be told is not asked for again and again. */
	let struck = $state.raw<ReadonlySet<string>>(new Set());
	/** What the simulated instrument plays next: the first interval, kind by kind, that the app has not heard. */
	const next = $derived.by(() => {
		const left = board.cells.filter(({ heard }) => !heard);
		return left.find((cell) => !struck.has(pairName(cell))) ?? left[0];
	});
	function strike(cell: { readonly lower: number; readonly upper: number }) {
		struck = new Set([...struck, pairName(cell)]);
		pairs.strike([cell.lower, cell.upper]);
	}
	const said = $derived.by(() => {
		if (!word) return pairs.waits ? 'Listening to what was struck …' : undefined;
		if (word.kind === 'refused') return refusedWords(word);
		const kind = countedKind(word.keys.upper - word.keys.lower);
		if (!word.isAsked || !kind) return `${pairName(word.keys)} is none of the intervals below.`;
		const beat = word.beats.find(
			({ lowerPartial, upperPartial }) => lowerPartial === kind.lowerPartial && upperPartial === kind.upperPartial
		);
		if (!beat) return `${pairName(word.keys)}: nothing is heard where it is counted.`;
		if (beat.certainty === 'not to be said') return `${pairName(word.keys)}: not to be told, ${untoldWords(beat)}.`;
		return `${wordOf(word.keys, beat)}.`;
	});
</script>

<div class="hear" data-told={pairs.told}>
	<ListenBar {pairs}>
		{#if listening.simulated && next}
			<button type="button" class="btn preset-filled-brand" onclick={() => strike(next)}>Strike {pairName(next)}</button
			>
		{/if}
	</ListenBar>
	{#if listening.state === 'on'}
		<p class="said" role="status">
			{said ?? 'Play the intervals below in any order: each goes to its field with its error.'}
		</p>
	{/if}
</div>

<style>
	.hear {
		margin-top: 0.6rem;
		display: grid;
		gap: 0.4rem;
	}
	.said {
		font-size: 1.05rem;
	}
</style>
