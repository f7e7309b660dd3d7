<script lang="ts">
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsSet from '$lib/visit/reeds/ReedsSet.svelte';
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsSet from '$lib/visit/frets/FretsSet.svelte';
	import KeyboardSet from '$lib/visit/keyboard/KeyboardSet.svelte';

	let { data } = $props();
</script>

{#if data.open instanceof KeyboardVisit}<KeyboardSet
		open={data.open}
	/>{:else if data.open instanceof FretVisit}<FretsSet open={data.open} />{:else}<ReedsSet open={data.open} />{/if}
