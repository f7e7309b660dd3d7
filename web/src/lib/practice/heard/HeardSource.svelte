<script lang="ts">
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import { roomState } from '$lib/listening/room';
	import SourceChoice from '$lib/listening/SourceChoice.svelte';
	import type { HeardStrings } from './heardStrings.svelte';

	let { heard }: { heard: HeardStrings } = $props();
	const { listening } = $derived(heard);
	const room = $derived(roomState(listening));
</script>

<div class="source">
	<SourceChoice {listening} />
</div>
{#if listening.fault}<p class="problem" role="alert">{FAULT_WORDS[listening.fault]}</p>
{:else if room.advice}<p class="soft" role="status">{room.advice}</p>{/if}

<style>
	.source {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin-top: 1rem;
	}
</style>
