<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import DialogSheet from './DialogSheet.svelte';

	interface Props {
		keys: readonly { readonly keys: string; readonly does: string }[];
		onclose: () => void;
	}
	let { keys, onclose }: Props = $props();
</script>

<DialogSheet open title="Keys on this page" {onclose} sheet="max-w-[34rem]">
	<dl>
		{#each keys as { keys: combination, does } (combination)}
			<dt><kbd>{combination}</kbd></dt>
			<dd>{does}</dd>
		{/each}
	</dl>
	<Dialog.CloseTrigger class="btn preset-filled-brand mt-5">Close</Dialog.CloseTrigger>
</DialogSheet>

<style>
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.6rem 1.2rem;
		align-items: baseline;
	}
</style>
