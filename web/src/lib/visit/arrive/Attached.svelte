<script lang="ts">
	import type { Attachment } from '@fendrel/core';
	import X from '@lucide/svelte/icons/x';
	import { attachments } from '$lib/handover/attachments.svelte';

	interface Props {
		visitId: string;
		attachment: Attachment;
		/** What it shows. */
		name: string;
		/** Not said: it can only be looked at. */
		onremove?: () => void;
	}
	let { visitId, attachment, name, onremove }: Props = $props();
	const id = $derived(attachment.attachment);
	let address = $state<string | undefined>();
	let isMissing = $state(false);
	let isLarge = $state(false);
	$effect(() => {
		let made: string | undefined;
		let over = false;
		void attachments.bytes(visitId, id).then((bytes) => {
			if (over) return;
			isMissing = bytes === undefined;
			made = bytes && URL.createObjectURL(bytes);
			address = made;
		});
		return () => {
			over = true;
			if (made) URL.revokeObjectURL(made);
		};
	});
	const standing = $derived(attachments.states.get(id));
	const words = $derived(attachment.kind === 'photo' ? `Photo of ${name}` : `Sound of ${name}`);
</script>

<figure class:large={isLarge}>
	{#if address && attachment.kind === 'photo'}
		<button
			type="button"
			class="view"
			aria-label="{words}: {isLarge ? 'smaller' : 'larger'}"
			onclick={() => (isLarge = !isLarge)}><img src={address} alt={words} /></button
		>
	{:else if address}
		<audio controls src={address} aria-label={words}></audio>
	{:else}
		<p class="soft">{isMissing ? `${words} is not on this device` : '…'}</p>
	{/if}
	{#if onremove}<button type="button" class="remove" aria-label="Take {words.toLowerCase()} away" onclick={onremove}
			><X size={16} /></button
		>{/if}
	{#if standing?.state === 'refused'}<figcaption class="problem" role="alert">{standing.why}</figcaption>
	{:else if standing?.state === 'waits'}<figcaption class="soft">waits for the server</figcaption>{/if}
</figure>

<style>
	figure {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.25rem;
	}
	.view {
		min-height: 0;
		padding: 0;
		cursor: zoom-in;
		border: 1px solid var(--line);
	}
	img {
		height: 4.5rem;
		width: auto;
		display: block;
	}
	.large {
		flex-basis: 100%;
	}
	.large img {
		height: auto;
		max-height: 24rem;
		max-width: 100%;
	}
	.large .view {
		cursor: zoom-out;
	}
	audio {
		height: 44px;
		width: 15rem;
	}
	.remove {
		min-width: 32px;
		min-height: 44px;
		color: var(--soft);
		cursor: pointer;
	}
	figcaption,
	p {
		font-size: 0.85rem;
	}
</style>
