<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsClose from '$lib/visit/frets/FretsClose.svelte';
	import KeyboardClose from '$lib/visit/keyboard/KeyboardClose.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsClose from '$lib/visit/reeds/ReedsClose.svelte';

	let { data } = $props();
</script>

{#if data.open instanceof KeyboardVisit}<KeyboardClose
		open={data.open}
	/>{:else if data.open instanceof FretVisit}<FretsClose open={data.open} />{:else}<ReedsClose open={data.open} />{/if}
