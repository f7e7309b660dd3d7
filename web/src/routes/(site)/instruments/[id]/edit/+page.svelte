<script lang="ts">
	import { page } from '$app/state';
	import InstrumentForm from '$lib/instruments/InstrumentForm.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Edit {data.name} | Fendrel</title></svelte:head>

<h1>{data.name}</h1>
<InstrumentForm data={data.form} locations={data.locations} back="/instruments/{page.params.id}" save="Save" />
