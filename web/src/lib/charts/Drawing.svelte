<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** What the picture says, for who cannot see it. */
		label: string;
		/** Takes the width that there is. */
		width: number;
		/** Given; or, where it `fills`, the height that there is. */
		height: number;
		fills?: boolean;
		children: Snippet;
	}
	let { label, width = $bindable(), height = $bindable(), fills = false, children }: Props = $props();
</script>

{#if fills}
	<div class="fills" bind:clientWidth={width} bind:clientHeight={height}>
		<svg class="drawing" {width} {height} role="img" aria-label={label}>{@render children()}</svg>
	</div>
{:else}
	<div bind:clientWidth={width}>
		<svg class="drawing" {width} {height} role="img" aria-label={label}>{@render children()}</svg>
	</div>
{/if}

<style>
	div {
		width: 100%;
		min-width: 0;
	}
	.fills {
		position: relative;
		flex: 1;
		height: 100%;
		min-height: 180px;
		overflow: hidden;
	}
	.fills svg {
		position: absolute;
		inset: 0;
	}
</style>
