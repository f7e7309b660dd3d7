<script lang="ts">
	import type { AlikePlace } from '$lib/instruments/instrumentForm';
	import InstrumentForm from '$lib/instruments/InstrumentForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Add an instrument | Fendrel</title></svelte:head>

<h1>Add an instrument</h1>
<InstrumentForm
	data={data.form}
	locations={data.locations}
	alike={(form as { alike?: readonly AlikePlace[] } | null)?.alike}
	back="/instruments"
	save="Add it"
/>
