<script lang="ts">
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

{#if open}
	<!-- Dialogs are not light: one comes when it is asked for. -->
	{#await import('./KeysSheet.svelte') then { default: KeysSheet }}<KeysSheet {keys} onclose={() => (open = false)} />
	{:catch}<p class="problem" role="alert">The list of keys could not be loaded. Reload the page.</p>{/await}
{/if}

<style>
	.keys {
		color: var(--soft);
		font-size: 0.85rem;
		min-height: 32px;
		cursor: pointer;
	}
</style>
