<script lang="ts">
	import type { Instructions } from '@fendrel/core';
	import BigNote from '$lib/ui/BigNote.svelte';

	interface Props {
		note: number;
		/** Cents from target; undefined before the first strike. */
		cents: number | undefined;
		instruction: keyof Instructions;
		/** Whether it is known that this note sounded. */
		isSure: boolean;
		/** Whether the figure is one to go by. */
		isCertain: boolean;
		/** What the family's technicians say. */
		instructions: Instructions;
	}
	let { note, cents, instruction, isSure, isCertain, instructions }: Props = $props();
	const size = $derived(cents === undefined ? '' : Math.abs(cents).toFixed(isCertain ? 1 : 0));
	const direction = $derived(cents === undefined || Number(size) === 0 ? '' : cents < 0 ? 'cents flat' : 'cents sharp');
	const isToTurn = $derived(instruction === 'raise' || instruction === 'lower');
</script>

<div class="live">
	<BigNote {note} />
	<div
		class="figure"
		class:flat={isSure && instruction === 'raise'}
		class:sharp={isSure && instruction === 'lower'}
		class:within={isSure && cents !== undefined && !isToTurn}
		class:soft={!isSure}
		class:uncertain={!isCertain}
	>
		<p class="word" aria-live="polite">{isSure ? instructions[instruction] : 'Which key?'}</p>
		<p class="cents" data-testid="deviation">
			{#if size && !isCertain}<span class="unit about">about</span>{/if}
			<span class="size">{size || '–'}</span> <span class="unit">{direction}</span>
		</p>
	</div>
</div>

<style>
	.live {
		display: flex;
		justify-content: space-between;
		align-items: flex-end;
		gap: 1rem;
		line-height: 1;
	}
	.figure {
		text-align: right;
		min-width: 0;
	}
	.word {
		font-weight: 700;
		font-size: 1.7rem;
		margin-bottom: 0.25rem;
	}
	.cents {
		white-space: nowrap;
	}
	.size {
		font-size: 7.5rem;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
	}
	.unit {
		font-size: 1.6rem;
		color: var(--soft);
		display: inline-block;
		min-width: 8.2rem;
		text-align: left;
	}
	.about {
		min-width: 0;
	}
	.uncertain .size {
		color: var(--soft);
	}
	.within .word,
	.within .size {
		color: var(--felt);
	}
	@media (max-width: 1100px) {
		.size {
			font-size: 6rem;
		}
		.unit {
			font-size: 1.2rem;
			min-width: 6.2rem;
		}
	}
	@media (max-width: 480px) {
		.size {
			font-size: 4.5rem;
		}
		.unit {
			font-size: 1rem;
			min-width: 5rem;
		}
	}
</style>
