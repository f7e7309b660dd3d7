<script lang="ts">
	import type { Snippet } from 'svelte';
	import { intervalName, noteName, type Coincidence, type Voice } from '@fendrel/core';
	import CoincidenceLadder from '$lib/charts/CoincidenceLadder.svelte';
	import { rateWords } from '$lib/ui/beats';
	import { fixed } from '$lib/ui/format';

	let {
		lower,
		upper,
		meetings,
		chosen,
		highest,
		heard
	}: {
		lower: Voice;
		upper: Voice;
		meetings: readonly Coincidence[];
		/** The meeting of two partials that is looked at. */
		chosen: Coincidence | undefined;
		/** The instrument's highest note. */
		highest: number;
		/** What is heard of it, beside what it should be. */
		heard?: Snippet;
	} = $props();
	/** The ladder shows what the eye can tell apart. */
	const HIGHEST_DRAWN = 10;
	const drawn = $derived(
		meetings.filter(
			(each) => each !== chosen && each.lowerPartial <= HIGHEST_DRAWN && each.upperPartial <= HIGHEST_DRAWN
		)
	);
</script>

<h1>
	{noteName(lower.note)} with {noteName(upper.note)}: {intervalName(upper.note - lower.note)}
</h1>
{#if chosen}
	<p class="figure" data-testid="beat">
		<b>{fixed(Math.abs(chosen.rate), 2)}</b>
		<span>{rateWords(chosen.rate).replace(/^[\d.]+ /, '')}</span>
	</p>
	{@render heard?.()}
	<p>
		Listen at <b>{noteName(chosen.silentKey)}</b> ({fixed(chosen.heardAt, 0)} Hz): partial {chosen.lowerPartial} of
		{noteName(lower.note)} meets partial {chosen.upperPartial} of {noteName(upper.note)}.
		{#if chosen.silentKey <= highest}Hold both keys silently and strike {noteName(chosen.silentKey)} to bring it out.{/if}
	</p>
	<CoincidenceLadder
		lowerNote={lower.note}
		upperNote={upper.note}
		lower={lower.string}
		upper={upper.string}
		kind={chosen}
		others={drawn}
		tall={heard ? 250 : 330}
		heardAt="{noteName(chosen.silentKey)}, {fixed(chosen.heardAt, 0)} Hz"
	/>
{:else}
	<p>No partials up to the sixteenth meet within half a semitone, so nothing beats here.</p>
{/if}

<style>
	.figure b {
		font-weight: 600;
	}
	p.figure b {
		font-family: var(--mono);
		font-size: 3.4rem;
		line-height: 1;
	}
	p.figure span {
		color: var(--soft);
	}
</style>
