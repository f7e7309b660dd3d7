<script lang="ts">
	import { noteName } from '@fendrel/core';
	import type { SimulatedReed } from '$lib/audio/simulatedReed';
	import { typedInto } from '$lib/ui/keys';
	import { blown, BREATHS, SIMULATED_REEDS, type Breath } from './simulatedReeds';

	interface Props {
		reed: SimulatedReed;
		a4: number;
	}
	let { reed, a4 }: Props = $props();
	let chosen = $state(0);
	let isPaired = $state(false);
	let times = 0;

	const blow = (breath: Breath) => void reed.blow(blown(SIMULATED_REEDS[chosen], breath, a4, isPaired, ++times));
	function onkeydown(event: KeyboardEvent) {
		const breath = BREATHS[Number(event.key) - 1];
		if (breath && !typedInto(event) && !event.ctrlKey && !event.repeat) blow(breath);
	}
</script>

<svelte:window {onkeydown} />

<div role="group" aria-label="Simulated reed">
	<select class="select fit" aria-label="Reed" bind:value={chosen}>
		{#each SIMULATED_REEDS as { note }, i (note)}<option value={i}>{noteName(note)}</option>{/each}
	</select>
	<label><input type="checkbox" class="checkbox" bind:checked={isPaired} /> with its octave</label>
	{#each BREATHS as breath (breath.id)}
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => blow(breath)}>{breath.name}</button
		>
	{/each}
</div>

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 0.8rem;
		align-items: center;
	}
</style>
