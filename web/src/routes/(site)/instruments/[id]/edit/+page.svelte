<script lang="ts">
	import { page } from '$app/state';
	import type { AlikePlace } from '$lib/instruments/instrumentForm';
	import InstrumentForm from '$lib/instruments/InstrumentForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Edit {data.name} | Fendrel</title></svelte:head>

<h1>{data.name}</h1>
<InstrumentForm
	data={data.form}
	locations={data.locations}
	alike={(form as { alike?: readonly AlikePlace[] } | null)?.alike}
	back="/instruments/{page.params.id}"
	save="Save"
/>
