<script lang="ts">
	import { noteName } from '@fendrel/core';
	import TuningBar from '$lib/tuning/TuningBar.svelte';
	import { ask } from '$lib/ui/address';
	import type { TuningChoice } from '$lib/tuning/choice';
	import { parsePair, type Pair } from './pair';

	let {
		choice,
		text = $bindable(),
		shown,
		problem
	}: {
		choice: TuningChoice;
		text: string;
		/** The two notes on show: those that were typed last and could be read. */
		shown: Pair;
		/** Why what is typed cannot be read. */
		problem: string | undefined;
	} = $props();

	function keepInAddress() {
		const read = parsePair(text, choice.lowest, choice.highest);
		if ('problem' in read) return;
		const { lower, upper } = read.value;
		void ask({ notes: `${noteName(lower)} ${noteName(upper)}` });
	}
	function move(by: number) {
		const [low, high] = [shown.lower + by, shown.upper + by];
		if (low < choice.lowest || high > choice.highest) return;
		text = `${noteName(low)} ${noteName(high)}`;
		keepInAddress();
	}
</script>

<div class="bar">
	<input
		class="notes input mono"
		aria-label="Two notes"
		bind:value={text}
		onchange={keepInAddress}
		aria-invalid={problem !== undefined}
		autocomplete="off"
		spellcheck="false"
	/>
	<button type="button" class="choice" onclick={() => move(-1)} aria-label="A semitone down">↓</button>
	<button type="button" class="choice" onclick={() => move(1)} aria-label="A semitone up">↑</button>
	<TuningBar {choice} />
</div>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}
	.notes {
		width: 8.5rem;
		min-height: 44px;
		font-size: 1.15rem;
		background: var(--sheet);
	}
</style>
