<script lang="ts">
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsSet from '$lib/visit/reeds/ReedsSet.svelte';
	import KeyboardSet from '$lib/visit/keyboard/KeyboardSet.svelte';

	let { data } = $props();
</script>

{#if data.open instanceof KeyboardVisit}<KeyboardSet open={data.open} />{:else}<ReedsSet open={data.open} />{/if}
