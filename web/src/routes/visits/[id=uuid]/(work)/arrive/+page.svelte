<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsArrive from '$lib/visit/frets/FretsArrive.svelte';
	import KeyboardArrive from '$lib/visit/keyboard/KeyboardArrive.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsArrive from '$lib/visit/reeds/ReedsArrive.svelte';

	let { data } = $props();
</script>

{#if data.open instanceof KeyboardVisit}<KeyboardArrive
		open={data.open}
	/>{:else if data.open instanceof FretVisit}<FretsArrive open={data.open} />{:else}<ReedsArrive
		open={data.open}
	/>{/if}
