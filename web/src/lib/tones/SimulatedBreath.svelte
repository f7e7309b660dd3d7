<script lang="ts">
	import { hz, layoutById, octavesOf, placedReeds, reedGroup, reedNote, reedSound, type ReedSet } from '@fendrel/core';
	import type { SimulatedTones } from '$lib/audio/simulatedTones';
	import BreathButtons from './BreathButtons.svelte';
	import { WAYS_TO_BLOW, type WayToBlow } from './breaths';

	interface Props {
		reed: SimulatedTones;
		a4: number;
	}
	let { reed, a4 }: Props = $props();
	/** A harmonica in C that nobody has built, as it was found. */
	const SET: ReedSet = {
		...{ tonic: 60, layout: layoutById('major')!, auxiliaries: [], metal: 'brass', length: 'usual', spacing: 7.5 }
	};
	const TWIN = { kind: 'reeds', seed: 12 } as const;
	const reeds = placedReeds(SET).filter(({ plate }) => plate === 'blow');
	const above = new Map(
		octavesOf(SET.layout.holes).map((pair) => pair.map(({ hole, plate }) => reedGroup(hole, plate)) as [number, number])
	);
	let chosen = $state(reeds[0].group);
	let isPaired = $state(false);
	const partner = $derived(above.get(chosen));
	let times = 0;

	function blow(way: WayToBlow) {
		const groups = isPaired && partner !== undefined ? [chosen, partner] : [chosen];
		void reed.sound(reedSound({ twin: TWIN, set: SET, a4: hz(a4), moved: {} }, groups, way, ++times));
	}
</script>

<div role="group" aria-label="Simulated reed">
	<select class="select fit" aria-label="Reed" bind:value={chosen}>
		{#each reeds as each (each.group)}<option value={each.group}>{reedNote(SET, each)}</option>{/each}
	</select>
	<label
		><input type="checkbox" class="checkbox" bind:checked={isPaired} disabled={partner === undefined} /> with its octave</label
	>
	<BreathButtons ways={WAYS_TO_BLOW} onblow={blow} />
</div>

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 0.8rem;
		align-items: center;
	}
</style>
