<script lang="ts">
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import FretsSound from '$lib/visit/frets/FretsSound.svelte';
	import KeyboardSound from '$lib/visit/keyboard/KeyboardSound.svelte';
	import { KeyboardVisit } from '$lib/visit/keyboardVisit.svelte';
	import ReedsSound from '$lib/visit/reeds/ReedsSound.svelte';

	let { data } = $props();
</script>

{#if data.open instanceof KeyboardVisit}<KeyboardSound
		open={data.open}
	/>{:else if data.open instanceof FretVisit}<FretsSound open={data.open} />{:else}<ReedsSound open={data.open} />{/if}
