<script lang="ts">
	import { untrack } from 'svelte';
	import Designer from '$lib/temperaments/Designer.svelte';

	let { data } = $props();
	const { slug, version, name, family, uses, period, character, goodFor, source, tuning } = untrack(
		() => data.temperament
	);
	const begin = { name, family, uses, period, character, goodFor, source, tuning };
</script>

<svelte:head><title>{name} | Fendrel</title></svelte:head>

<h1>{name}</h1>
<Designer {begin} over={{ slug, version }} against={{ name: 'as kept', temperament: { tuning } }} />
