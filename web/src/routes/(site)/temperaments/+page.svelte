<script lang="ts">
	import { TEMPERAMENT_FAMILIES, USES } from '@fendrel/core';
	import { untrack } from 'svelte';
	import TemperamentList from '$lib/temperaments/TemperamentList.svelte';
	import { grouped } from '$lib/tuning/storedTemperament';
	import { ask, askSoon } from '$lib/ui/address';
	import { counted } from '$lib/ui/format';
	import Pager from '$lib/ui/Pager.svelte';

	let { data } = $props();
	let words = $state(untrack(() => data.asked.find));
	/** Slugs to compare, in the order in which they were taken. */
	let taken = $state<string[]>([]);
	const MOST = 3;

	/** The address of these words, from some place on. */
	const pageFrom = (after: number) => {
		const { find, character, use } = data.asked;
		return `?${new URLSearchParams({ find, character, use, after: String(after) })}`;
	};
	function take(slug: string, on: boolean) {
		taken = on ? [...taken, slug].slice(-MOST) : taken.filter((each) => each !== slug);
	}
</script>

<svelte:head><title>Temperaments | Fendrel</title></svelte:head>

<div class="head">
	<h1>{counted(data.inAll, 'temperament')}{data.own ? `, ${data.own} of them yours` : ''}</h1>
	<div class="acts">
		<a class="btn preset-outlined-surface-300-700" href="/ensembles">Playing together</a>
		<a class="btn preset-outlined-surface-300-700" href="/temperaments/import">Import</a>
		{#if data.own}
			<a class="btn preset-outlined-surface-300-700" href="/temperaments/download?format=json" download>Export yours</a>
		{/if}
		<a class="btn preset-filled-brand" href="/temperaments/design">Design one</a>
	</div>
</div>

<form class="filters" method="GET" role="search" onsubmit={(event) => event.preventDefault()}>
	<label class="field"
		><span>Find</span><input
			class="input"
			type="search"
			name="find"
			placeholder="Bach, wolf, village …"
			bind:value={words}
			oninput={() => askSoon({ find: words || undefined, after: undefined })}
		/></label
	>
	<label class="field"
		><span>Character</span><select
			class="select"
			name="character"
			value={data.asked.character}
			onchange={(event) => void ask({ character: event.currentTarget.value || undefined, after: undefined })}
		>
			<option value="">any</option>
			{#each TEMPERAMENT_FAMILIES as each (each)}<option value={each}>{each}</option>{/each}
		</select></label
	>
	<label class="field"
		><span>Good for</span><select
			class="select"
			name="use"
			value={data.asked.use}
			onchange={(event) => void ask({ use: event.currentTarget.value || undefined, after: undefined })}
		>
			<option value="">anything</option>
			{#each USES as each (each)}<option value={each}>{each}</option>{/each}
		</select></label
	>
	<p class="compare">
		{#if taken.length > 1}
			<a class="btn preset-filled-brand" href="/temperaments/compare?with={taken.join(',')}">Compare {taken.length}</a>
		{:else}
			<span class="soft">Tick two or three to compare them.</span>
		{/if}
	</p>
</form>

{#each grouped(data.temperaments) as { title, members } (title)}
	<h2>{title}</h2>
	<TemperamentList {members} {taken} ontake={take} />
{:else}
	<p class="none">Nothing in the library matches all three. Clear one of them.</p>
{/each}
<Pager
	next={data.next === undefined ? undefined : pageFrom(data.next)}
	first={data.asked.after > 0 ? pageFrom(0) : undefined}
	of="temperaments"
/>
<p class="soft foot">
	The small pictures show the twelve major thirds from C by fifths to F: low is pure, the dashed line is equal.
</p>

<style>
	.head,
	.filters {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem 1rem;
		align-items: center;
		justify-content: space-between;
	}
	.acts {
		display: flex;
		gap: 0.5rem;
		flex-wrap: wrap;
	}
	.filters {
		justify-content: flex-start;
		align-items: end;
		margin: 1rem 0 0.5rem;
	}
	.filters .field:first-child {
		flex: 0 1 18rem;
	}
	.compare {
		margin-left: auto;
		min-height: 44px;
		display: flex;
		align-items: center;
	}
	h2 {
		font-family: inherit;
		font-weight: 600;
		font-size: 0.95rem;
		color: var(--soft);
		margin-top: 1.2rem;
		padding-bottom: 0.3rem;
		border-bottom: 1px solid var(--line);
	}
	.none {
		padding: 2rem 0;
	}
	.foot {
		margin-top: 1rem;
		font-size: 0.9rem;
	}
</style>
