<script lang="ts">
	import { beatOf, INTERVALS, noteName, STAIRCASES } from '@fendrel/core';
	import { page } from '$app/state';
	import Staircase from '$lib/charts/Staircase.svelte';
	import TuningBar from '$lib/tuning/TuningBar.svelte';
	import { ask } from '$lib/ui/address';
	import { choiceName, octavesOf } from '$lib/tuning/choice';
	import StandInNotice from '$lib/tuning/StandInNotice.svelte';
	import { planFor } from '$lib/tuning/plan';
	import { fixed } from '$lib/ui/format';

	let { data } = $props();
	const choice = $derived(data.choice);
	const plan = $derived(planFor(choice));
	const octaves = $derived(octavesOf(choice));
	const octave = $derived(
		octaves.find(({ name }) => name.replaceAll(' ', '') === page.url.searchParams.get('octave')) ?? octaves[0]
	);
	const runs = $derived(
		STAIRCASES.map((name) => {
			const kind = INTERVALS[name];
			const treads = [];
			for (let note = octave.low; note + kind.semitones <= octave.high; note++) {
				const [low, high] = [plan.targetOf(note)!, plan.targetOf(note + kind.semitones)!];
				treads.push({ note, rate: beatOf(low.string, high.string, kind).rate as number });
			}
			return { name: `${kind.name}s`, pair: `${kind.lowerPartial}:${kind.upperPartial}`, treads };
		})
	);
	const thirds = $derived(runs[1].treads);
	const even = $derived(thirds.slice(1).every(({ rate }, i) => rate > thirds[i].rate));
	const rise = $derived(
		thirds.length > 1 ? (thirds[thirds.length - 1].rate - thirds[0].rate) / (thirds.length - 1) : 0
	);
</script>

<svelte:head><title>An octave's intervals | Fendrel</title></svelte:head>

<div class="bar">
	<select
		class="select fit"
		aria-label="Octave"
		value={octave.name}
		onchange={(event) => ask({ octave: event.currentTarget.value.replaceAll(' ', '') })}
	>
		{#each octaves as { name } (name)}<option>{name}</option>{/each}
	</select>
	<TuningBar {choice} />
</div>
<StandInNotice name={data.standsInFor} />
<h1>
	{#if even}
		The major thirds rise evenly, about {fixed(rise, 1)} per second from one to the next.
	{:else}
		The thirds do not rise evenly in {choice.temperament.name}: that is its character.
	{/if}
</h1>
<p class="soft">
	Beats per second by the lower note, {octave.name}, on {choiceName(choice)}. Wide is positive, narrow negative. A note
	a cent out costs its third about half a beat at {noteName(octave.low)}.
</p>
<div class="runs">
	{#each runs as { name, pair, treads } (name)}
		<section>
			<h2 class="panel-heading">{name} <span>heard at {pair}</span></h2>
			{#if treads.length}<Staircase {treads} interval={name} />{:else}<p class="soft">None within this octave.</p>{/if}
		</section>
	{/each}
</div>

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin-bottom: 1rem;
	}
	h1 {
		font-size: 1.7rem;
	}
	.runs {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 0.75rem 2.5rem;
		margin-top: 0.75rem;
	}
	h2::first-letter {
		text-transform: uppercase;
	}
	@media (max-width: 900px) {
		.runs {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
