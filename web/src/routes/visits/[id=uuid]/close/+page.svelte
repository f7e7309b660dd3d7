<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsClose from '$lib/visit/frets/FretsClose.svelte';
	import GuitarClose from '$lib/visit/guitar/GuitarClose.svelte';
	import { GuitarVisit } from '$lib/visit/guitarVisit.svelte';
	import KeyboardClose from '$lib/visit/keyboard/KeyboardClose.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsClose from '$lib/visit/reeds/ReedsClose.svelte';

	let { data } = $props();
	const { open } = $derived(data);
</script>

{#if open instanceof KeyboardVisit}<KeyboardClose {open} />
{:else if open instanceof FretVisit}<FretsClose {open} />
{:else if open instanceof GuitarVisit}<GuitarClose {open} />
{:else}<ReedsClose {open} />{/if}
