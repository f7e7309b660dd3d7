<script lang="ts">
	import type { Instructions } from '@fendrel/core';
	import BigNote from '$lib/ui/BigNote.svelte';
	import type { LiveWords } from './liveWords';
	import { fixed, isNoughtAt } from '$lib/ui/format';

	interface Props {
		note: number;
		/** Cents from target; undefined before the first strike. */
		cents: number | undefined;
		instruction: keyof Instructions;
		/** Whether it is known that this note sounded. */
		isSure: boolean;
		/** Whether the figure is one to go by. */
		isCertain: boolean;
		/** Set by ear: no figure is shown. */
		isHidden?: boolean;
		/** What is said in place of one string's cents. */
		instead?: LiveWords;
		/** To be read from two metres. */
		isLarge?: boolean;
		/** What the family's technicians say. */
		instructions: Instructions;
	}
	let {
		note,
		cents,
		instruction,
		isSure,
		isCertain,
		isHidden = false,
		instead,
		isLarge = false,
		instructions
	}: Props = $props();
	const digits = $derived(isCertain ? 1 : 0);
	const size = $derived(instead?.figure ?? (cents === undefined ? '' : fixed(Math.abs(cents), digits)));
	const unit = $derived.by(() => {
		if (instead) return instead.unit;
		return cents === undefined || isNoughtAt(cents, digits) ? '' : cents < 0 ? 'cents flat' : 'cents sharp';
	});
	const word = $derived(instead?.word ?? (isHidden ? 'By ear' : instructions[instruction]));
	const isWithin = $derived(
		instead?.isWithin ?? (!isHidden && cents !== undefined && instruction !== 'raise' && instruction !== 'lower')
	);
	const isToTurn = $derived(!instead && !isHidden && (instruction === 'raise' || instruction === 'lower'));
</script>

<div class="live" class:large={isLarge}>
	<BigNote {note} />
	<div
		class="figure"
		class:flat={isSure && isToTurn && instruction === 'raise'}
		class:sharp={isSure && isToTurn && instruction === 'lower'}
		class:within={isSure && isWithin}
		class:soft={!isSure}
		class:uncertain={!isCertain}
	>
		<p class="word" aria-live="polite">{isSure ? word : 'Which key?'}</p>
		{#if isHidden && !instead}<p class="by-ear">Keep it when it stands</p>
		{:else}<p class="cents" data-testid="deviation">
				{#if size && !isCertain}<span class="unit about">about</span>{/if}
				<span class="size">{size || '–'}</span> <span class="unit">{unit}</span>
			</p>{/if}
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
	.by-ear {
		font-size: 1.6rem;
		color: var(--soft);
		padding: 2.9rem 0;
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
	.live.large {
		flex: 1;
		align-items: center;
	}
	.live.large :global(.note) {
		font-size: min(22vw, 34vh);
	}
	.large .word {
		font-size: min(7vw, 10vh);
	}
	.live.large .size {
		font-size: min(26vw, 42vh);
	}
	.live.large .unit {
		font-size: min(4vw, 6vh);
		min-width: 0;
	}
	/* Upright on the music desk: the note above its figure. */
	@media (max-aspect-ratio: 4/5) {
		.live.large {
			flex-direction: column;
			justify-content: space-evenly;
			align-items: stretch;
		}
		.live.large :global(.note) {
			font-size: 40vw;
		}
		.live.large .size {
			font-size: 36vw;
		}
		.large .word {
			font-size: 12vw;
		}
		.live.large .unit {
			font-size: 7vw;
		}
	}
</style>
