<script lang="ts">
	import type { Snippet } from 'svelte';
	import { counted } from '$lib/ui/format';

	interface Props {
		/** What is asked, or what the last answer was. */
		asks: string;
		/** Said beneath it. */
		beneath?: string | undefined;
		isOver: boolean;
		/** Answers so far, and how many a sitting has. */
		count: number;
		most: number;
		/** What is done with each; answered unless given. */
		did?: string;
		problem: string | undefined;
		notice: string | undefined;
		isTired?: boolean;
		/** Why the server has not got it yet. */
		waits: string | undefined;
		isPreparing: boolean;
		/** Between the question and the buttons. */
		children?: Snippet;
		/** The buttons. */
		acts: Snippet;
		onend: () => void;
		onagain: () => void;
	}
	let of: Props = $props();
</script>

<section class="trial" aria-label="Trial">
	<p class="asks" aria-live="polite">{of.asks}</p>
	{#if of.beneath}<p class="soft beneath">{of.beneath}</p>{/if}
	{#if of.isOver}
		<p class="acts">
			<button type="button" class="btn preset-filled-brand" onclick={of.onagain}>Another sitting</button>
			<a class="btn preset-outlined-surface-300-700" href="/practice">All drills</a>
		</p>
	{:else}
		{@render of.children?.()}
		<div class="acts">
			{@render of.acts()}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={of.onend}>End</button>
			<span class="soft" aria-live="polite"
				>{of.count} of {of.most} {of.did ?? 'answered'}{of.isPreparing ? ', preparing the sound' : ''}</span
			>
		</div>
	{/if}
	{#if of.problem}<p class="problem" role="alert">{of.problem}</p>{/if}
	{#if of.notice}<p class="notice" role="status">{of.notice}</p>{/if}
	{#if of.isTired}
		<p class="notice" role="status">
			Your answers grew worse: the ear tires. Rest a quarter of an hour before the next sitting.
		</p>
	{/if}
	{#if of.waits}<p class="notice" role="status">
			{counted(of.count, 'answer')} kept on this device. {of.waits}
		</p>{/if}
</section>

<style>
	.trial {
		display: grid;
		justify-items: center;
		gap: 0.9rem;
		padding: 1.4rem 0 1rem;
		text-align: center;
	}
	.asks {
		font-family: var(--serif, inherit);
		font-size: 2rem;
		line-height: 1.2;
		min-height: 2.4rem;
	}
	.beneath {
		max-width: 46rem;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: center;
		justify-content: center;
	}
</style>
