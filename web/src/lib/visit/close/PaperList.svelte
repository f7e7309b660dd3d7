<script lang="ts">
	import { handOver } from '$lib/handover/handOver.svelte';
	import { saveFile } from '$lib/ui/saveFile';
	import { paperHref, PAPERS, type Paper } from '$lib/record/papers';

	interface Props {
		visitId: string;
		/** What a file is called on the device: the instrument. */
		name: string;
		/** Those that are made by the server. */
		papers?: readonly Paper[];
	}
	let { visitId, name, papers = Object.keys(PAPERS) as Paper[] }: Props = $props();
	let making = $state<Paper | undefined>();
	let problem = $state<string | undefined>();

	/** They are made from what the server has: what waits here goes first. */
	async function save(paper: Paper) {
		making = paper;
		problem = undefined;
		try {
			if (!(await handOver.flush())) throw new Error('away');
			const answer = await fetch(paperHref(visitId, paper));
			if (!answer.ok) throw new Error(String(answer.status));
			saveFile(await answer.blob(), `${name}, ${PAPERS[paper].file}`);
		} catch {
			problem =
				'Papers are made by the server, which does not answer. They can be had later, on the instrument’s page.';
		}
		making = undefined;
	}
</script>

<section aria-label="Papers">
	<h2 class="panel-heading">Papers</h2>
	<div class="papers">
		{#each papers as paper (paper)}
			<button
				type="button"
				class="btn preset-outlined-surface-300-700"
				disabled={making !== undefined}
				onclick={() => save(paper)}>{PAPERS[paper].name}</button
			>
		{/each}
	</div>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</section>

<style>
	.papers {
		display: grid;
		gap: 0.5rem;
	}
</style>
