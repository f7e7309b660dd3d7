<script lang="ts">
	import Play from '@lucide/svelte/icons/play';
	import Square from '@lucide/svelte/icons/square';

	interface Props {
		name: string;
		/** It sounds: once more stops it. */
		isPlaying: boolean;
		disabled: boolean;
		onclick: () => void;
	}
	let { name, isPlaying, disabled, onclick }: Props = $props();
</script>

<button type="button" aria-pressed={isPlaying} {disabled} {onclick}>
	{#if isPlaying}<Square size={16} />{:else}<Play size={16} />{/if}
	{name}
</button>

<style>
	button {
		display: inline-flex;
		gap: 0.5rem;
		align-items: center;
		min-height: 44px;
		padding: 0 0.9rem;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		background: var(--sheet);
		cursor: pointer;
	}
	button[aria-pressed='true'] {
		border-color: var(--felt);
		color: var(--felt);
		font-weight: 700;
	}
	button:disabled {
		opacity: 0.6;
		cursor: default;
	}
</style>
