<script lang="ts" generics="Way extends WayToBlow">
	import { typedInto } from '$lib/ui/keys';
	import type { WayToBlow } from './breaths';

	interface Props {
		/** Each has a key, from 1. */
		ways: readonly Way[];
		onblow: (way: Way) => void;
	}
	let { ways, onblow }: Props = $props();
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
