<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';

	let { data, children } = $props();
	const open = $derived(data.open);
	$effect(() => {
		const now = open;
		return untrack(() => now.start());
	});
	// Begun without the server on an instrument that has a visit already: the work goes on in that one.
	$effect(() => {
		const { continued } = open;
		const { id = '' } = page.params;
		if (continued && continued !== id)
			void goto(page.url.pathname.replace(id, continued), { replaceState: true, invalidateAll: true });
	});
	onMount(() => void navigator.storage?.persist?.());
	/** Pages that follow whatever changes: made anew they would lose what is being written. */
	const FOLLOWING = /\/(arrive|close)$/;
	const edition = $derived(FOLLOWING.test(page.route.id ?? '') ? 0 : open.edition);
</script>

{#key `${open.record.visitId} ${edition}`}{@render children()}{/key}
