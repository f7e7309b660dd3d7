<script lang="ts">
	import { beforeNavigate } from '$app/navigation';
	import { page, updated } from '$app/state';
	import { nowSignedIn } from '$lib/device/owner';
	import HandOverNotice from '$lib/handover/HandOverNotice.svelte';
	import { lookKept } from '$lib/ui/look';
	import '../app.css';

	let { children } = $props();
	// Pages that the server makes say who is signed in; the device remembers it for those that it makes itself.
	const signedIn = $derived(page.data.signedIn);
	$effect(() => {
		if (signedIn) void nowSignedIn($state.snapshot(signedIn)).catch(() => {});
	});
	$effect.pre(lookKept);
	// A newer version is there: the next page is taken whole from it.
	beforeNavigate(({ willUnload, to }) => {
		if (updated.current && !willUnload && to?.url) location.href = to.url.href;
	});
</script>

<HandOverNotice />
{@render children()}
