<script lang="ts">
	import { noteName, type ProofJob } from '@fendrel/core';
	import { jobWords } from './proveWords';
	import { fixed } from '$lib/ui/format';

	interface Props {
		jobs: readonly ProofJob[];
		/** Set opens with that note. */
		onagain: (note: number) => void;
	}
	let { jobs, onagain }: Props = $props();
	const SHOWN = 6;
	const minutes = $derived(jobs.reduce((sum, each) => sum + each.minutes, 0));
</script>

<section aria-label="The least work that brings the most">
	<h2>
		<b>The least work that brings the most</b>
		{#if jobs.length}<span>share of all that is off; {fixed(minutes, 0)} min for all of it</span>{/if}
	</h2>
	{#if jobs.length}
		<ol>
			{#each jobs.slice(0, SHOWN) as job (`${job.kind} ${job.note}`)}
				<li>
					<span>{jobWords(job)}</span>
					<span class="figure">{Math.round(100 * job.gain)} %</span>
					<span class="figure">{fixed(job.minutes, 0)} min</span>
					<button
						type="button"
						class="choice"
						onclick={() => onagain(job.note)}
						aria-label="Set {noteName(job.note)} again">Set again</button
					>
				</li>
			{/each}
		</ol>
		{#if jobs.length > SHOWN}<p class="soft">and {jobs.length - SHOWN} more, each bringing less.</p>{/if}
	{:else}<p class="soft">Nothing is known to be off.</p>{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.3rem;
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
	}
	h2 span {
		color: var(--soft);
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto auto auto;
		gap: 0.6rem;
		align-items: center;
		border-top: 1px solid var(--line);
		padding: 0.15rem 0;
	}
	.figure {
		text-align: right;
		font-family: var(--mono);
		font-size: 0.95rem;
	}
</style>
