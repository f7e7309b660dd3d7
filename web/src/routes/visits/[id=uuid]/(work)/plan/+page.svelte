<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsPlan from '$lib/visit/frets/FretsPlan.svelte';
	import GuitarPlan from '$lib/visit/guitar/GuitarPlan.svelte';
	import { GuitarVisit } from '$lib/visit/guitarVisit.svelte';
	import KeyboardPlan from '$lib/visit/keyboard/KeyboardPlan.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsPlan from '$lib/visit/reeds/ReedsPlan.svelte';

	let { data } = $props();
	const { open } = $derived(data);
</script>

{#if open instanceof KeyboardVisit}<KeyboardPlan {open} />
{:else if open instanceof FretVisit}<FretsPlan {open} />
{:else if open instanceof GuitarVisit}<GuitarPlan {open} />
{:else}<ReedsPlan {open} />{/if}
