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
</script>

{#key `${open.record.visitId} ${open.edition}`}{@render children()}{/key}
