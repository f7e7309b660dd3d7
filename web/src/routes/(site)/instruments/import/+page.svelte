<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import RegisterImport from '$lib/instruments/register/RegisterImport.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Instruments from a list | Fendrel</title></svelte:head>

<h1>Instruments from a list</h1>
<p class="soft">
	Nothing is added before you have seen what it becomes. Pianos and early keyboards; reeds and frets are added one by
	one.
</p>
<RegisterImport taken={data.taken} places={data.places} onchange={() => invalidateAll()} />
