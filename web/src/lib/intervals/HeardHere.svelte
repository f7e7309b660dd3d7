<script lang="ts">
	import { noteName, type Coincidence } from '@fendrel/core';
	import type { PairListening } from '$lib/pairs/pairListening.svelte';
	import { besideAsked, errorWords, heardRate, refusedWords, unsidedWords, untoldWords } from '$lib/pairs/pairWords';
	import { pairName, STILL_RATE } from '$lib/ui/beats';
	import type { Pair } from './pair';
	import { fixed } from '$lib/ui/format';

	interface Props {
		pairs: PairListening;
		shown: Pair;
		/** Where the pair is looked at, as it should be. */
		chosen: Coincidence;
	}
	let { pairs, shown, chosen }: Props = $props();
	const { word, listening } = $derived(pairs);
	const beat = $derived(pairs.heard(shown.lower, shown.upper, chosen.lowerPartial, chosen.upperPartial));
	const asked = $derived(
		Math.abs(chosen.rate) < STILL_RATE
			? 'a still interval'
			: `${fixed(Math.abs(chosen.rate), 1)} ${chosen.rate < 0 ? 'narrow' : 'wide'}`
	);
</script>

<div class="heard" data-testid="heard" data-told={pairs.told} aria-live="polite">
	{#if word?.kind === 'refused'}
		<p class="notice">{refusedWords(word)}</p>
	{:else if beat && !pairs.waits}
		<p class="figure">
			<b>{heardRate(beat)}</b>{#if beat.certainty !== 'not to be said'}<span>heard, ±{errorWords(beat.error)}</span
				>{/if}
		</p>
		<p>
			{#if beat.certainty === 'not to be said'}
				{pairName(shown)} at {chosen.lowerPartial}:{chosen.upperPartial}: {untoldWords(beat)}.
			{:else}
				{pairName(shown)}; the plan asks for {asked}: <b>{besideAsked(beat, chosen.rate)}</b>. {unsidedWords(beat)}
			{/if}
			{#if word?.kind === 'heard' && !word.isFinal}<span class="soft">Better while it rings.</span>{/if}
		</p>
	{:else if pairs.waits}
		<p class="soft">Listening to what was struck …</p>
	{:else if listening.state === 'on'}
		<p class="soft">
			Strike {noteName(shown.lower)} and {noteName(shown.upper)} together, or any two keys: the first word comes after a second.
		</p>
	{/if}
</div>

<style>
	.heard {
		min-height: 4.6rem;
		width: 100%;
	}
	.figure b {
		font-family: var(--mono);
		font-weight: 600;
		font-size: 2rem;
		line-height: 1.2;
		color: var(--felt);
	}
	.figure span {
		margin-left: 0.7rem;
		font-family: var(--mono);
		color: var(--soft);
	}
</style>
