<script lang="ts">
	import type { Snippet } from 'svelte';
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import SourceChoice from '$lib/listening/SourceChoice.svelte';
	import { roomState } from '$lib/listening/room';
	import Segments from '$lib/ui/Segments.svelte';
	import type { PairListening } from './pairListening.svelte';

	interface Props {
		pairs: PairListening;
		children?: Snippet;
	}
	let { pairs, children }: Props = $props();
	const { listening } = $derived(pairs);
	const room = $derived(roomState(listening));
	const OPEN = [
		{ id: 'one', label: 'one string each' },
		{ id: 'all', label: 'unisons open' }
	] as const;
</script>

<div class="bar">
	<SourceChoice {listening} />
	<Segments
		label="Strings that sound"
		choices={OPEN}
		chosen={pairs.isOpen ? 'all' : 'one'}
		onchoose={(id) => (pairs.isOpen = id === 'all')}
	/>
	{@render children?.()}
</div>
{#if listening.fault}<p class="problem" role="alert">{FAULT_WORDS[listening.fault]}</p>
{:else if room.advice}<p class="soft" role="status">{room.advice}</p>{/if}

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: center;
	}
</style>
