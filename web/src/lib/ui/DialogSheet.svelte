<script lang="ts">
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import type { Snippet } from 'svelte';

	interface Props {
		open: boolean;
		title: string;
		/** Told when it is to close: by its own button, Escape, or a press beside it. */
		onclose: () => void;
		/** False when a press beside it would lose work. */
		closesBeside?: boolean;
		/** Classes of the sheet: its width. */
		sheet?: string;
		/** What stands on it; Dialog.CloseTrigger closes it. */
		children: Snippet;
	}
	let { open, title, onclose, closesBeside = true, sheet = '', children }: Props = $props();
</script>

<Dialog {open} onOpenChange={(details) => !details.open && onclose()} closeOnInteractOutside={closesBeside}>
	<Portal>
		<Dialog.Backdrop class="fixed inset-0 z-50 bg-black/50" />
		<Dialog.Positioner class="fixed inset-0 z-50 flex items-center justify-center p-4">
			<Dialog.Content class="dialog-sheet {sheet}">
				<Dialog.Title class="mb-2 font-[Newsreader_Variable] text-2xl">{title}</Dialog.Title>
				{@render children()}
			</Dialog.Content>
		</Dialog.Positioner>
	</Portal>
</Dialog>
