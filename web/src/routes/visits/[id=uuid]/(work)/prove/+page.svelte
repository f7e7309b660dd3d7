<script lang="ts">
	import KeyboardProve from '$lib/visit/keyboard/KeyboardProve.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsProve from '$lib/visit/reeds/ReedsProve.svelte';

	let { data } = $props();
</script>

{#if data.open instanceof KeyboardVisit}<KeyboardProve open={data.open} />{:else}<ReedsProve open={data.open} />{/if}
