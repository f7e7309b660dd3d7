<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsSound from '$lib/visit/frets/FretsSound.svelte';
	import GuitarSound from '$lib/visit/guitar/GuitarSound.svelte';
	import { GuitarVisit } from '$lib/visit/guitarVisit.svelte';
	import KeyboardSound from '$lib/visit/keyboard/KeyboardSound.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsSound from '$lib/visit/reeds/ReedsSound.svelte';

	let { data } = $props();
	const { open } = $derived(data);
</script>

{#if open instanceof KeyboardVisit}<KeyboardSound {open} />
{:else if open instanceof FretVisit}<FretsSound {open} />
{:else if open instanceof GuitarVisit}<GuitarSound {open} />
{:else}<ReedsSound {open} />{/if}
