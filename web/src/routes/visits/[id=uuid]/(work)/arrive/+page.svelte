<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsArrive from '$lib/visit/frets/FretsArrive.svelte';
	import { GuitarVisit } from '$lib/visit/guitarVisit.svelte';
	import KeyboardArrive from '$lib/visit/keyboard/KeyboardArrive.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsArrive from '$lib/visit/reeds/ReedsArrive.svelte';

	let { data } = $props();
	const { open } = $derived(data);
</script>

{#if open instanceof KeyboardVisit}<KeyboardArrive {open} />
{:else if open instanceof FretVisit || open instanceof GuitarVisit}<FretsArrive {open} />
{:else}<ReedsArrive {open} />{/if}
