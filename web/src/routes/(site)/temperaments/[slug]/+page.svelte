<script lang="ts">
	import { fifthName, noteClassName, transposed, wolves } from '@fendrel/core';
	import RingOfFifths from '$lib/charts/RingOfFifths.svelte';
	import ThirdsProfile from '$lib/charts/ThirdsProfile.svelte';
	import Acts from '$lib/temperaments/Acts.svelte';
	import DeleteTemperament from '$lib/temperaments/DeleteTemperament.svelte';
	import HearIt from '$lib/temperaments/HearIt.svelte';
	import KeyTable from '$lib/temperaments/KeyTable.svelte';
	import NoteTable from '$lib/temperaments/NoteTable.svelte';
	import RootAndPitch from '$lib/temperaments/RootAndPitch.svelte';
	import {
		commaCheck,
		COMMA,
		ringFifths,
		roughnessByFifths,
		thirdsByFifths,
		typicalStrings
	} from '$lib/temperaments/figures';
	import { fixed } from '$lib/ui/format';

	let { data } = $props();
	const stored = $derived(data.temperament);
	const temperament = $derived(transposed(stored, data.root));
	const strings = $derived(typicalStrings(temperament, 'harpsichord', data.a4));
	const comma = $derived(commaCheck(temperament));
	const wolf = $derived.by(() => {
		const names = wolves(temperament).map(fifthName);
		return names.length === 0 ? '' : names.length === 1 ? `The wolf is ${names[0]}` : `Wolves: ${names.join(', ')}`;
	});
	const shownName = $derived(data.root ? `${stored.name} on ${noteClassName(data.root)}` : stored.name);
	const query = $derived(`root=${data.root}&a4=${data.a4}`);
	let sure = $state(false);
</script>

<svelte:head><title>{stored.name} | Fendrel</title></svelte:head>

<header>
	<div>
		<h1>{shownName}</h1>
		<p class="verdict">{stored.character}</p>
	</div>
	<Acts {stored} root={data.root} {query} ondelete={() => (sure = true)} />
</header>
{#if sure}<DeleteTemperament {stored} onkeep={() => (sure = false)} />{/if}

<div class="sheet">
	<section class="fifths">
		<h2 class="panel-heading">How is each fifth tempered, and how rough is each key?</h2>
		<RingOfFifths
			fifths={ringFifths(temperament)}
			roughness={roughnessByFifths(strings)}
			centre="{fixed(comma.total, 2)} c"
		/>
		<p class="soft small">
			Bars inwards: narrower than pure, outwards: wider (P, S: Pythagorean, syntonic comma). Narrow fifths take
			{fixed(comma.narrow, 2)} cents{comma.wide > 0.005 ? `, wide ones give back ${fixed(comma.wide, 2)}` : ''}: in all
			the Pythagorean comma, {fixed(COMMA, 2)}.
			{wolf ? `${wolf}. ` : ''} Under each note: beating of its major triad, equal temperament = 1.
		</p>
	</section>
	<section class="thirds">
		<h2 class="panel-heading">
			How wide are the major thirds? <span>cents, by the lower note, from C by fifths</span>
		</h2>
		<ThirdsProfile series={[{ name: shownName, sizes: thirdsByFifths(temperament) }]} />
		<RootAndPitch slug={stored.slug} root={data.root} a4={data.a4} />
		<h2 class="panel-heading next">What does it sound like?</h2>
		<HearIt versions={[{ name: shownName, temperament }]} a4={data.a4} />
	</section>
	<section class="notes">
		<h2 class="panel-heading">Where does each note stand, and how wide is what stands on it?</h2>
		<NoteTable {temperament} />
	</section>
	<section class="keys">
		<h2 class="panel-heading">
			What is each key like? <span>triads from C4 to B4, beats per second on light strings at A4 = {data.a4} Hz</span>
		</h2>
		<KeyTable {strings} />
	</section>
	<section class="text">
		<h2 class="panel-heading">Where does it come from?</h2>
		<dl>
			<dt>Good for</dt>
			<dd>{stored.goodFor || 'not said'}{stored.uses.length ? ` (${stored.uses.join(', ')})` : ''}</dd>
			<dt>Period</dt>
			<dd>{stored.period || 'not said'}</dd>
			<dt>Source</dt>
			<dd>{stored.source || 'not said'}</dd>
		</dl>
	</section>
</div>

<style>
	header {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0.75rem 2rem;
		margin-bottom: 1rem;
	}
	.verdict {
		font-size: 1.2rem;
		color: var(--soft);
		margin-top: 0.3rem;
		max-width: 44rem;
	}
	.sheet {
		display: grid;
		grid-template-columns: minmax(20rem, 28rem) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
		border-top: 1px solid var(--line);
		padding-top: 1rem;
	}
	.fifths,
	.thirds {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.5rem;
		align-content: start;
	}
	.notes {
		grid-column: 1 / -1;
	}
	.next {
		border-top: 1px solid var(--line);
		padding-top: 0.75rem;
		margin-top: 0.25rem;
	}
	.notes,
	.keys,
	.text {
		min-width: 0;
		grid-template-columns: minmax(0, 1fr);
		border-top: 1px solid var(--line);
		padding-top: 1rem;
		display: grid;
		gap: 0.75rem;
		align-content: start;
	}
	.keys {
		grid-column: 2;
		grid-row: 3;
	}
	.text {
		grid-column: 1;
		grid-row: 3;
	}
	.small {
		font-size: 0.88rem;
		line-height: 1.4;
	}
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.35rem 1rem;
		font-size: 0.95rem;
	}
	dt {
		color: var(--soft);
	}
	@media (max-width: 999px) {
		.sheet {
			grid-template-columns: minmax(0, 1fr);
		}
		.keys,
		.text {
			grid-area: auto;
		}
	}
</style>
