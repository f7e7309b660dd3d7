<script lang="ts">
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';

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

<Dialog {open} onOpenChange={(details) => (open = details.open)}>
	<Portal>
		<Dialog.Backdrop class="fixed inset-0 z-50 bg-black/50" />
		<Dialog.Positioner class="fixed inset-0 z-50 flex items-center justify-center p-4">
			<Dialog.Content class="dialog-sheet">
				<Dialog.Title class="mb-4 font-[Newsreader_Variable] text-2xl">Keys on this page</Dialog.Title>
				<dl>
					{#each keys as { keys: combination, does } (combination)}
						<dt><kbd>{combination}</kbd></dt>
						<dd>{does}</dd>
					{/each}
				</dl>
				<Dialog.CloseTrigger class="btn preset-filled-brand mt-5">Close</Dialog.CloseTrigger>
			</Dialog.Content>
		</Dialog.Positioner>
	</Portal>
</Dialog>

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
