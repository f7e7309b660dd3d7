<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsPlan from '$lib/visit/frets/FretsPlan.svelte';
	import KeyboardPlan from '$lib/visit/keyboard/KeyboardPlan.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsPlan from '$lib/visit/reeds/ReedsPlan.svelte';

	let { data } = $props();
</script>

{#if data.open instanceof KeyboardVisit}<KeyboardPlan
		open={data.open}
	/>{:else if data.open instanceof FretVisit}<FretsPlan open={data.open} />{:else}<ReedsPlan open={data.open} />{/if}
