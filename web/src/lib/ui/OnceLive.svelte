<script lang="ts">
	import { onMount, tick, type Snippet } from 'svelte';

	/**
	 * What the server has drawn does nothing until the page lives: its fields and buttons wait until then, so that no press
	 * is lost and nothing typed or chosen is taken back. Links lead where they lead at once.
	 */
	let { children }: { children: Snippet } = $props();
	let live = $state(false);
	onMount(async () => {
		live = true;
		await tick();
		// The browser finds no focus for a field that waits.
		if (document.activeElement === document.body) document.querySelector<HTMLElement>('[autofocus]')?.focus();
	});
</script>

<fieldset role="none" disabled={!live}>{@render children()}</fieldset>

<style>
	fieldset {
		display: contents;
	}
	fieldset:disabled > :global(*) {
		pointer-events: auto;
	}
	/* Dimmed only where the wait is long enough to be noticed. */
	fieldset:disabled :global(:disabled) {
		opacity: 1;
		animation: dim 0.1s 0.5s forwards;
	}
	@keyframes dim {
		to {
			opacity: 0.5;
		}
	}
</style>
