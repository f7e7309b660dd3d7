<script lang="ts">
	import { untrack } from 'svelte';
	import Designer from '$lib/temperaments/Designer.svelte';

	let { data } = $props();
	const { slug, name, family, uses, period, character, goodFor, source, tuning } = untrack(() => data.temperament);
	const begin = { name, family, uses, period, character, goodFor, source, tuning };
</script>

<svelte:head><title>{name} | Fendrel</title></svelte:head>

<h1>{name}</h1>
<Designer {begin} {slug} against={{ name: 'as kept', temperament: { tuning } }} />
