<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** What the table holds. */
		label: string;
		/** No taller than that. */
		tall?: string;
		box?: HTMLElement;
		children: Snippet;
	}
	let { label, tall, box = $bindable(), children }: Props = $props();
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex (a scrolling table must be reachable by keyboard) -->
<div bind:this={box} tabindex="0" role="region" aria-label={label} style:max-height={tall}>{@render children()}</div>

<style>
	div {
		position: relative;
		flex: 1;
		min-height: 0;
		overflow: auto;
	}
</style>
