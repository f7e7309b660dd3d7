<script lang="ts">
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import LevelMeter from '$lib/listening/LevelMeter.svelte';
	import SourceSelect from '$lib/listening/SourceSelect.svelte';
	import { typedInto } from '$lib/ui/keys';
	import type { FretBench } from './fretBench.svelte';

	let { bench }: { bench: FretBench } = $props();
	const { listening } = $derived(bench);
	const SMALL = 1;
	const LARGE = 10;
	function onkeydown(event: KeyboardEvent) {
		if (!listening.simulated || typedInto(event) || event.ctrlKey) return;
		const by = event.shiftKey ? LARGE : SMALL;
		if (event.key === '1' && !event.repeat) bench.bow('even');
		else if (event.key === '2' && !event.repeat) bench.bow('uneven');
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
	<div class="bar" role="group" aria-label="Bow and peg of the simulated strings">
		<button type="button" class="choice" onclick={() => bench.bow('even')}><kbd>1</kbd> Even bow</button>
		<button type="button" class="choice" onclick={() => bench.bow('uneven')}><kbd>2</kbd> Uneven bow</button>
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
