<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsProve from '$lib/visit/frets/FretsProve.svelte';
	import KeyboardProve from '$lib/visit/keyboard/KeyboardProve.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsProve from '$lib/visit/reeds/ReedsProve.svelte';

	let { data } = $props();
</script>

{#if data.open instanceof KeyboardVisit}<KeyboardProve
		open={data.open}
	/>{:else if data.open instanceof FretVisit}<FretsProve open={data.open} />{:else}<ReedsProve open={data.open} />{/if}
