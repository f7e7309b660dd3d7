<script lang="ts">
	import { untrack } from 'svelte';
	import { noteClassName, temperamentById, transposed } from '@fendrel/core';
	import Designer from '$lib/temperaments/Designer.svelte';

	let { data } = $props();
	/** From the one that the address names, at its root; otherwise from equal. */
	const from = untrack(() => ({
		...(data.from ?? { ...temperamentById('equal'), slug: 'equal', own: false }),
		at: data.from ? data.root : 0
	}));
	const tuning = transposed(from, from.at).tuning;
	const name = `${from.name}${from.at ? ` on ${noteClassName(from.at)}` : ''}`;
	const begin = {
		name: from.slug === 'equal' ? '' : `${name}, own`,
		family: from.slug === 'equal' ? ('mild well' as const) : from.family,
		uses: from.uses,
		period: 'our own',
		character: '',
		goodFor: '',
		source: from.slug === 'equal' ? 'Our design.' : `Our design, begun from ${name}.`,
		tuning
	};
</script>

<svelte:head><title>Design a temperament | Fendrel</title></svelte:head>

<h1>{from.slug === 'equal' ? 'Design a temperament' : `Design from ${name}`}</h1>
<Designer {begin} against={{ name, temperament: { tuning } }} />
