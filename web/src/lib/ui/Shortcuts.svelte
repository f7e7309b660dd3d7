<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import DialogSheet from './DialogSheet.svelte';

	interface Props {
		/** What each key does, in the order to be shown. */
		keys: readonly { readonly keys: string; readonly does: string }[];
	}
	let { keys }: Props = $props();
	let open = $state(false);

	function onkeydown(event: KeyboardEvent) {
		const target = event.target as HTMLElement;
		if (event.key !== '?' || target.closest('input, textarea, select')) return;
		event.preventDefault();
		open = !open;
	}
</script>

<svelte:window {onkeydown} />

<button class="keys" type="button" onclick={() => (open = true)} aria-label="All keys"><kbd>?</kbd> all keys</button>

<DialogSheet {open} title="Keys on this page" onclose={() => (open = false)} sheet="max-w-[34rem]">
	<dl>
		{#each keys as { keys: combination, does } (combination)}
			<dt><kbd>{combination}</kbd></dt>
			<dd>{does}</dd>
		{/each}
	</dl>
	<Dialog.CloseTrigger class="btn preset-filled-brand mt-5">Close</Dialog.CloseTrigger>
</DialogSheet>

<style>
	.keys {
		color: var(--soft);
		font-size: 0.85rem;
		min-height: 32px;
		cursor: pointer;
	}
	kbd {
		font-family: var(--mono);
		font-size: 0.85rem;
		border: 1px solid var(--line);
		border-radius: 4px;
		padding: 0.1rem 0.45rem;
		background: var(--ground);
		white-space: nowrap;
	}
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.6rem 1.2rem;
		align-items: baseline;
	}
</style>
