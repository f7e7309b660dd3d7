<script lang="ts">
	import { noteName } from '@fendrel/core';
	import EarChoice from '$lib/tuning/EarChoice.svelte';
	import type { EarName } from '$lib/tuning/ears';
	import type { Board } from './board.svelte';
	import CountBoard from './CountBoard.svelte';

	let {
		board,
		low,
		reference = $bindable(),
		ear = $bindable(),
		asked,
		marked
	}: {
		board: Board;
		low: number;
		reference: number;
		ear: EarName;
		/** The temperament that the grey figures are of. */
		asked: string;
		marked: ReadonlySet<string>;
	} = $props();
</script>

<section>
	<h2 class="panel-heading">
		What do you count? <span>beats per second; the grey figures are what {asked} asks for</span>
	</h2>
	<div class="row">
		<label
			>Reference note
			<select class="select fit" bind:value={reference}>
				{#each { length: 13 } as _, i (i)}<option value={low + i}>{noteName(low + i)}</option>{/each}
			</select></label
		>
		<label>How sure <EarChoice {ear} onchoose={(chosen) => (ear = chosen)} /></label>
	</div>
	<CountBoard {board} {marked} />
</section>

<style>
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.75rem;
		align-content: start;
		min-width: 0;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.25rem;
		align-items: center;
	}
	label {
		display: flex;
		gap: 0.5rem;
		align-items: center;
	}
</style>
