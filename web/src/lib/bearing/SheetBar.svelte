<script lang="ts">
	import { noteName } from '@fendrel/core';
	import type { TuningChoice } from '$lib/tuning/choice';
	import TuningBar from '$lib/tuning/TuningBar.svelte';
	import { ask } from '$lib/ui/address';
	import { FORKS, type octavesWithin } from './sheet';
	import { SCHOOL_NAMES } from '$lib/tuning/bearingWords';

	interface Props {
		choice: TuningChoice;
		school: string;
		schools: readonly string[];
		start: number;
		starts: readonly number[];
		octave: number;
		octaves: ReturnType<typeof octavesWithin>;
	}
	let { choice, school, schools, start, starts, octave, octaves }: Props = $props();
	const forks = $derived(FORKS.filter((fork) => starts.includes(fork)));
	const others = $derived(starts.filter((note) => !FORKS.some((fork) => fork === note)));
</script>

<fieldset class="bar">
	<select
		class="select fit"
		aria-label="School"
		value={school}
		onchange={(event) => ask({ school: event.currentTarget.value })}
	>
		{#each schools as id (id)}<option value={id}>{SCHOOL_NAMES[id]}</option>{/each}
	</select>
	<select
		class="select fit"
		aria-label="Start"
		value={start}
		onchange={(event) => ask({ start: event.currentTarget.value })}
	>
		<optgroup label="Forks">
			{#each forks as note (note)}<option value={note}>from {noteName(note)}</option>{/each}
		</optgroup>
		<optgroup label="Any note">
			{#each others as note (note)}<option value={note}>from {noteName(note)}</option>{/each}
		</optgroup>
	</select>
	<select
		class="select fit"
		aria-label="Temperament octave"
		value={octave}
		onchange={(event) => ask({ octave: event.currentTarget.value })}
	>
		{#each octaves as { name, index } (name)}<option value={index}>{name}</option>{/each}
	</select>
	<TuningBar {choice} fixedTemperament />
</fieldset>

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.bar > .select {
		max-width: min(13rem, 100%);
	}
	@media print {
		.bar {
			display: none;
		}
	}
</style>
