<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsProve from '$lib/visit/frets/FretsProve.svelte';
	import GuitarProve from '$lib/visit/guitar/GuitarProve.svelte';
	import { GuitarVisit } from '$lib/visit/guitarVisit.svelte';
	import KeyboardProve from '$lib/visit/keyboard/KeyboardProve.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsProve from '$lib/visit/reeds/ReedsProve.svelte';

	let { data } = $props();
	const { open } = $derived(data);
</script>

{#if open instanceof KeyboardVisit}<KeyboardProve {open} />
{:else if open instanceof FretVisit}<FretsProve {open} />
{:else if open instanceof GuitarVisit}<GuitarProve {open} />
{:else}<ReedsProve {open} />{/if}
