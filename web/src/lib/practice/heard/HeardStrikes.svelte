<script lang="ts">
	import { counted } from '$lib/ui/format';
	import type { HeardStrings } from './heardStrings.svelte';

	interface Props {
		heard: HeardStrings;
		/** The note that is due. */
		name: string;
		/** How often it has been heard. */
		strikes: number;
	}
	let { heard, name, strikes }: Props = $props();
</script>

<p class="soft" data-looks={heard.looks}>
	{#if heard.listening.state !== 'on'}Press Listen, then strike {name}.
	{:else if heard.waits}Listening …
	{:else}{counted(strikes, 'strike')} heard{/if}
</p>

<style>
	p {
		min-height: 1.5rem;
	}
</style>
