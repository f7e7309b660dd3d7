<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsSet from '$lib/visit/frets/FretsSet.svelte';
	import GuitarSet from '$lib/visit/guitar/GuitarSet.svelte';
	import { GuitarVisit } from '$lib/visit/guitarVisit.svelte';
	import KeyboardSet from '$lib/visit/keyboard/KeyboardSet.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsSet from '$lib/visit/reeds/ReedsSet.svelte';

	let { data } = $props();
	const { open } = $derived(data);
</script>

{#if open instanceof KeyboardVisit}<KeyboardSet {open} />
{:else if open instanceof FretVisit}<FretsSet {open} />
{:else if open instanceof GuitarVisit}<GuitarSet {open} />
{:else}<ReedsSet {open} />{/if}
