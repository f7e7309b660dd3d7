<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { format } from 'date-fns';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';
	import { saveFile } from '$lib/ui/saveFile';
	import { handOver } from './handOver.svelte';
	import { refusedWords } from './refusedWords';

	let { open = $bindable() }: { open: boolean } = $props();
	/** Discarding cannot be undone: it is asked for twice. */
	let sure = $state<string | undefined>();

	function download() {
		const text = JSON.stringify({ format: 'fendrel-refused', version: 1, refused: handOver.refused }, null, '\t');
		const name = `refused-${format(new Date(), 'yyyy-MM-dd-HHmm')}.json`;
		saveFile(new Blob([text], { type: 'application/json' }), name);
	}
	function close() {
		open = false;
		sure = undefined;
	}
</script>

<DialogSheet {open} title="What the server refused" onclose={close} sheet="w-full">
	{#if handOver.refused.length === 0}
		<p>Nothing is waiting here.</p>
	{:else}
		<p class="soft">
			These stay on this device until you decide. Save them to a file before you discard anything you may want again.
		</p>
		<ul>
			{#each handOver.refused as each (each.id)}
				<li>
					<div>
						<b>{refusedWords(each)}</b>
						<span class="soft">{format(each.at, 'd MMMM, HH:mm')}</span>
						<p>{each.why}</p>
						<a class="anchor" href="/visits/{each.visitId}" onclick={close}>To its visit</a>
					</div>
					<div class="choices">
						<button
							type="button"
							class="btn preset-outlined-surface-300-700"
							onclick={() => handOver.sendAgain(each.id)}>Send again</button
						>
						<button
							type="button"
							class="btn preset-outlined-surface-300-700"
							onclick={() => (sure === each.id ? handOver.discard(each.id) : (sure = each.id))}
							>{sure === each.id ? 'Discard for good' : 'Discard'}</button
						>
					</div>
				</li>
			{/each}
		</ul>
	{/if}
	<div class="choices">
		{#if handOver.refused.length}
			<button type="button" class="btn preset-filled-brand" onclick={download}>Save to a file</button>
		{/if}
		<Dialog.CloseTrigger class="btn preset-outlined-surface-300-700">Close</Dialog.CloseTrigger>
	</div>
</DialogSheet>

<style>
	ul {
		margin: 0.75rem 0 1rem;
		max-height: 50vh;
		overflow: auto;
	}
	li {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		padding: 0.7rem 0;
		border-top: 1px solid var(--line);
	}
	.choices {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: start;
		flex: none;
	}
</style>
