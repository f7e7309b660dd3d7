<script lang="ts">
	import InstrumentForm from '$lib/instruments/InstrumentForm.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Add an instrument | Fendrel</title></svelte:head>

<h1>Add an instrument</h1>
<InstrumentForm data={data.form} locations={data.locations} back="/instruments" save="Add it" />
