<script lang="ts">
	import { A4_PRESETS, fifthName, noteClassName, transposed, wolves } from '@fendrel/core';
	import { goto, invalidate } from '$app/navigation';
	import RingOfFifths from '$lib/charts/RingOfFifths.svelte';
	import ThirdsProfile from '$lib/charts/ThirdsProfile.svelte';
	import HearIt from '$lib/temperaments/HearIt.svelte';
	import KeyTable from '$lib/temperaments/KeyTable.svelte';
	import NoteTable from '$lib/temperaments/NoteTable.svelte';
	import {
		commaCheck,
		COMMA,
		ringFifths,
		roughnessByFifths,
		thirdsByFifths,
		typicalStrings
	} from '$lib/temperaments/figures';
	import { ask } from '$lib/tuning/address';
	import { sent } from '$lib/device/send';

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
	let problem = $state<string | undefined>();
	let sure = $state(false);

	async function discard() {
		problem = await sent('DELETE', `/api/temperaments/${stored.slug}`);
		sure = false;
		if (problem) return;
		await invalidate('temperaments');
		await goto('/temperaments');
	}
</script>

<svelte:head><title>{stored.name} | Fendrel</title></svelte:head>

<header>
	<div>
		<h1>{shownName}</h1>
		<p class="verdict">{stored.character}</p>
	</div>
	<div class="acts">
		<a class="btn preset-filled-brand" href="/temperaments/{stored.slug}/bearing-plan?{query}">Bearing plan</a>
		<a class="btn preset-outlined-surface-300-700" href="/temperaments/design?from={stored.slug}&root={data.root}"
			>Design from it</a
		>
		<a class="btn preset-outlined-surface-300-700" href="/temperaments/compare?with=equal,{stored.slug}">Compare</a>
		{#if stored.own}
			<a class="btn preset-outlined-surface-300-700" href="/temperaments/{stored.slug}/edit">Edit</a>
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => (sure = true)}>Delete</button>
		{/if}
	</div>
</header>
{#if sure}
	<div class="notice" role="alertdialog" aria-label="Delete {stored.name}">
		Delete {stored.name} for good?
		<button type="button" class="btn preset-filled-brand" onclick={discard}>Delete it</button>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => (sure = false)}>Keep it</button>
	</div>
{/if}
{#if problem}<p class="notice" role="alert">{problem}</p>{/if}

<div class="sheet">
	<section class="fifths">
		<h2 class="panel-heading">How is each fifth tempered, and how rough is each key?</h2>
		<RingOfFifths
			fifths={ringFifths(temperament)}
			roughness={roughnessByFifths(strings)}
			centre="{comma.total.toFixed(2)} c"
		/>
		<p class="soft small">
			Bars inwards: narrower than pure, outwards: wider (P, S: Pythagorean, syntonic comma). Narrow fifths take
			{comma.narrow.toFixed(2)} cents{comma.wide > 0.005 ? `, wide ones give back ${comma.wide.toFixed(2)}` : ''}: in
			all the Pythagorean comma, {COMMA.toFixed(2)}.
			{wolf ? `${wolf}. ` : ''} Under each note: beating of its major triad, equal temperament = 1.
		</p>
	</section>
	<section class="thirds">
		<h2 class="panel-heading">
			How wide are the major thirds? <span>cents, by the lower note, from C by fifths</span>
		</h2>
		<ThirdsProfile series={[{ name: shownName, sizes: thirdsByFifths(temperament) }]} />
		<div class="asked">
			<label
				>Root
				<select class="select fit" value={data.root} onchange={(event) => ask({ root: +event.currentTarget.value })}>
					{#each { length: 12 } as _, i (i)}<option value={i}>{noteClassName(i)}</option>{/each}
				</select></label
			>
			<label
				>A4
				<select class="select fit" value={data.a4} onchange={(event) => ask({ a4: +event.currentTarget.value })}>
					{#each [...new Set([...A4_PRESETS, data.a4])].sort((a, b) => a - b) as each (each)}<option value={each}
							>{each} Hz</option
						>{/each}
				</select></label
			>
			<span class="take"
				>Take away as
				{#each [['csv', 'CSV', 'cents, for tables'], ['json', 'JSON', 'everything, to import again'], ['syx', 'MIDI tuning', 'bulk dump, .syx'], ['notes', 'single notes', 'note changes, .syx'], ['mid', 'MIDI file', 'both messages, .mid']] as [format, label, about] (format)}
					<a href="/temperaments/{stored.slug}/download?format={format}&{query}" download title={about}>{label}</a>
				{/each}
			</span>
		</div>
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
	.acts {
		display: flex;
		gap: 0.5rem;
		flex-wrap: wrap;
		align-content: start;
	}
	.notice {
		margin-bottom: 1rem;
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: center;
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
	.asked {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.25rem;
		align-items: center;
	}
	.asked label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
	}
	.take {
		font-size: 0.95rem;
		color: var(--soft);
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.9rem;
		align-items: center;
	}
	.take a {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		color: var(--felt);
		text-decoration: underline;
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
