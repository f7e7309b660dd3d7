<script lang="ts">
	import { A4_PRESETS } from '@fendrel/core';
	import RingOfFifths from '$lib/charts/RingOfFifths.svelte';
	import ThirdsProfile from '$lib/charts/ThirdsProfile.svelte';
	import ClashTable from '$lib/temperaments/ClashTable.svelte';
	import HearIt from '$lib/temperaments/HearIt.svelte';
	import { ringFifths, roughnessByFifths, thirdsByFifths, typicalStrings } from '$lib/temperaments/figures';
	import { ask } from '$lib/ui/address';
	import { grouped } from '$lib/tuning/storedTemperament';

	let { data } = $props();
	const shown = $derived(data.compared);
	let a4 = $state(440);

	function put(place: number, slug: string) {
		const next = shown.map((each) => each.slug);
		if (slug === '') next.splice(place, 1);
		else next[place] = slug;
		void ask({ with: next.join(',') });
	}
</script>

<svelte:head><title>Compare temperaments | Fendrel</title></svelte:head>

<h1>{shown.length > 1 ? shown.map(({ name }) => name).join(', ') : 'Compare temperaments'}</h1>

<div class="choose">
	{#each { length: Math.min(data.most, shown.length + 1) } as _, place (place)}
		<select
			class="select fit"
			aria-label="Temperament {place + 1}"
			value={shown[place]?.slug ?? ''}
			onchange={(event) => put(place, event.currentTarget.value)}
		>
			<option value="">{place < shown.length ? 'leave it out' : 'add one …'}</option>
			{#each grouped(data.choices) as { title, members } (title)}
				<optgroup label={title}>
					{#each members as { slug, name } (slug)}<option value={slug}>{name}</option>{/each}
				</optgroup>
			{/each}
		</select>
	{/each}
	<label class="a4"
		>A4
		<select class="select fit" bind:value={a4}
			>{#each A4_PRESETS as each (each)}<option value={each}>{each} Hz</option>{/each}</select
		></label
	>
</div>

{#if shown.length > 1}
	<div class="rings">
		{#each shown as temperament (temperament.slug)}
			<figure>
				<figcaption><a href="/temperaments/{temperament.slug}">{temperament.name}</a></figcaption>
				<RingOfFifths
					fifths={ringFifths(temperament)}
					roughness={roughnessByFifths(typicalStrings(temperament, 'harpsichord', a4))}
					centre=""
				/>
			</figure>
		{/each}
	</div>
	<h2 class="panel-heading">
		Whose thirds are wider where? <span
			>cents, from C by fifths: {shown
				.map(({ name }, i) => `${name} ${['solid', 'dashed', 'dotted'][i]}`)
				.join(', ')}</span
		>
	</h2>
	<ThirdsProfile series={shown.map((each) => ({ name: each.name, sizes: thirdsByFifths(each) }))} />
	<h2 class="panel-heading">How do they differ by ear?</h2>
	{#key shown.map(({ slug }) => slug).join()}
		<HearIt versions={shown.map((temperament) => ({ name: temperament.name, temperament }))} {a4} />
	{/key}
	<h2 class="panel-heading">
		Where do two players clash? <span
			>the same note in both, A agreed: cents apart, and beats per second of that unison in the octave from C4</span
		>
	</h2>
	<ClashTable {shown} {a4} />
{:else}
	<p class="soft">Choose two or three.</p>
{/if}

<style>
	.choose {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		margin: 1rem 0;
	}
	.a4 {
		margin-left: auto;
		display: flex;
		gap: 0.5rem;
		align-items: center;
	}
	.rings {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 19rem), 1fr));
		gap: 1rem 2rem;
		border-top: 1px solid var(--line);
		padding-top: 1rem;
	}
	figure {
		min-width: 0;
	}
	figcaption {
		text-align: center;
		font-weight: 700;
	}
	h2 {
		margin: 1.25rem 0 0.5rem;
		border-top: 1px solid var(--line);
		padding-top: 0.75rem;
	}
</style>
