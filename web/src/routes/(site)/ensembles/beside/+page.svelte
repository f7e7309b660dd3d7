<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import BesideView from '$lib/ensembles/beside/BesideView.svelte';

	let { data } = $props();
	/** On its way to the address: what is chosen meanwhile is added to it. */
	let pending: URLSearchParams | undefined;
	async function choose(changes: Record<string, string>) {
		const words = new URLSearchParams(pending ?? page.url.searchParams);
		for (const [name, value] of Object.entries(changes)) words.set(name, value);
		pending = words;
		await goto(`?${words}`, { replaceState: true, keepFocus: true, noScroll: true });
		if (pending === words) pending = undefined;
	}
</script>

<svelte:head><title>Two in one room | Fendrel</title></svelte:head>

<p><a class="up" href="/ensembles">Playing together</a></p>
<h1>Two in one room</h1>
<p class="soft">
	Two pianos, a piano and an organ, a piano and a vibraphone: how far apart they lie at the notes that both have, and
	the compromise that costs least.
</p>
<BesideView {...data} onchoose={choose} />
