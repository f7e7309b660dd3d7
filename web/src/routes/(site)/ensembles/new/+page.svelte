<script lang="ts">
	import { goto } from '$app/navigation';
	import { v4 as uuid } from 'uuid';
	import EnsembleView from '$lib/ensembles/EnsembleView.svelte';

	let { data } = $props();
	const ensemble = { id: uuid(), name: '', members: [], version: 0 };
</script>

<svelte:head><title>A new ensemble | Fendrel</title></svelte:head>

<p><a class="up" href="/ensembles">Playing together</a></p>
<h1>A new ensemble</h1>
<EnsembleView
	{ensemble}
	temperaments={data.temperaments}
	instruments={data.instruments}
	mayWork
	onkept={() => goto(`/ensembles/${ensemble.id}`, { replaceState: true })}
/>
