<script lang="ts">
	import { typedInto } from '$lib/ui/keys';
	import { WAYS_TO_BLOW, type WayToBlow } from './reedBench.svelte';

	interface Props {
		/** Only breaths that are held; a swell tells nothing of two reeds. */
		ways?: readonly WayToBlow[];
		onblow: (way: WayToBlow) => void;
	}
	let { ways = WAYS_TO_BLOW, onblow }: Props = $props();
	const SHORT: Record<WayToBlow, string> = { soft: 'Soft', normal: 'Playing', hard: 'Hard', swell: 'Swell' };
	function onkeydown(event: KeyboardEvent) {
		const way = ways[Number(event.key) - 1];
		if (way && !typedInto(event) && !event.ctrlKey && !event.repeat) onblow(way);
	}
</script>

<svelte:window {onkeydown} />

<div role="group" aria-label="Blow the simulated reeds">
	{#each ways as way, i (way)}
		<button type="button" class="choice" onclick={() => onblow(way)}><kbd>{i + 1}</kbd> {SHORT[way]}</button>
	{/each}
</div>

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}
</style>
