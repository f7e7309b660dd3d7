<script lang="ts">
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import LevelMeter from '$lib/listening/LevelMeter.svelte';
	import SourceSelect from '$lib/listening/SourceSelect.svelte';
	import { typedInto } from '$lib/ui/keys';
	import type { StringBench } from './stringBench.svelte';

	let { bench }: { bench: StringBench } = $props();
	const { listening, ways } = $derived(bench);
	const SMALL = 1;
	const LARGE = 10;
	function onkeydown(event: KeyboardEvent) {
		if (!listening.simulated || typedInto(event) || event.ctrlKey) return;
		const by = event.shiftKey ? LARGE : SMALL;
		const way = ways[Number(event.key) - 1];
		if (way && !event.repeat) way.sound();
		else if (event.key === 'ArrowUp') bench.turn(by);
		else if (event.key === 'ArrowDown') bench.turn(-by);
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />

<div class="bar">
	<SourceSelect {listening} simulated="Simulated strings" />
	{#if listening.state === 'on'}<LevelMeter levels={listening.levels} />{/if}
</div>
{#if listening.fault}<p class="problem" role="alert">{FAULT_WORDS[listening.fault]}</p>{/if}
{#if listening.simulated}
	<div class="bar" role="group" aria-label="Simulated strings">
		{#each ways as { label, sound }, i (label)}
			<button type="button" class="choice" onclick={sound}><kbd>{i + 1}</kbd> {label}</button>
		{/each}
		<button type="button" class="choice" onclick={() => bench.turn(-SMALL)}><kbd>↓</kbd> Peg down</button>
		<button type="button" class="choice" onclick={() => bench.turn(SMALL)}><kbd>↑</kbd> Peg up</button>
	</div>
{/if}

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem 0.8rem;
		align-items: center;
	}
</style>
