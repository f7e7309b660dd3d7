<script lang="ts">
	import { goto } from '$app/navigation';
	import { bringIn } from '$lib/temperaments/requests';
	import type { KeepResult } from '$lib/temperaments/temperamentDraft';
	import { counted } from '$lib/ui/format';

	const EXAMPLE = 'name,C,C#,D,Eb,E,F,F#,G,G#,A,Bb,B\nHarbour light,5.9,0,2,3.9,-2,7.8,-2,3.9,2,0,5.9,-3.9';
	let text = $state('');
	let file = $state('');
	let rename = $state(false);
	let result = $state<KeepResult | undefined>();
	let busy = $state(false);

	async function read(chosen: File | undefined) {
		result = undefined;
		file = chosen?.name ?? '';
		text = chosen ? await chosen.text() : '';
	}
	async function send(confirmed: boolean) {
		busy = true;
		result = await bringIn(text, { confirmed, rename });
		busy = false;
		if (result.kind !== 'kept') return;
		if (result.slugs.length === 1) await goto(`/temperaments/${result.slugs[0]}`);
	}
</script>

<svelte:head><title>Import temperaments | Fendrel</title></svelte:head>

<h1>Import temperaments</h1>
<div class="page-in">
	<form
		onsubmit={(event) => {
			event.preventDefault();
			void send(false);
		}}
	>
		<label class="field"
			><span>A CSV or JSON file</span><input
				class="input"
				type="file"
				accept=".csv,.json,text/csv,application/json"
				onchange={(event) => read(event.currentTarget.files?.[0])}
			/></label
		>
		<label class="field"
			><span>or its text</span><textarea
				class="textarea mono"
				rows="12"
				spellcheck="false"
				bind:value={text}
				oninput={() => (result = undefined)}
				placeholder={EXAMPLE}></textarea></label
		>
		<label class="check"><input type="checkbox" bind:checked={rename} /> If a name is taken, add a number to it</label>
		<button class="btn preset-filled-brand" disabled={busy || text.trim() === ''}>Import {file || 'the text'}</button>
	</form>
	<section aria-live="polite">
		{#if result?.kind === 'refused'}
			<p class="verdict">Nothing was imported.</p>
			<ul>
				{#each result.problems as problem (problem)}<li class="problem">{problem}</li>{/each}
			</ul>
			<p class="soft">Correct the file or the text and try again. Either all of it is imported or none.</p>
		{:else if result?.kind === 'ask'}
			<p class="verdict">Is that intended?</p>
			<ul>
				{#each result.questions as question (question)}<li>{question}</li>{/each}
			</ul>
			<button type="button" class="btn preset-filled-brand" onclick={() => send(true)}>Yes, import them</button>
		{:else if result?.kind === 'kept'}
			<p class="verdict">{counted(result.names.length, 'temperament')} imported.</p>
			<ul>
				{#each result.slugs as slug, i (slug)}<li><a href="/temperaments/{slug}">{result.names[i]}</a></li>{/each}
			</ul>
		{:else}
			<h2>What the file looks like</h2>
			<p>
				CSV: the first line names the columns, <span class="mono">name</span> and the twelve notes; then a line for each
				temperament with its offsets from equal in cents. Further columns may be
				<span class="mono">family, uses, period, character, good for, source</span>.
			</p>
			<p>
				JSON: as exported here. It keeps fifths as exact parts of a comma (<span class="mono">1/6 P</span>,
				<span class="mono">1/4 S</span>, <span class="mono">pure</span>, <span class="mono">wolf</span>), tables of
				cents, and ratios.
			</p>
		{/if}
	</section>
</div>

<style>
	.page-in {
		display: grid;
		grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
		gap: 2.5rem;
		margin-top: 1rem;
	}
	form,
	section {
		display: grid;
		gap: 1rem;
		align-content: start;
		justify-items: start;
	}
	.field {
		width: 100%;
	}
	.textarea {
		font-size: 0.85rem;
		background: var(--sheet);
	}
	input[type='file'] {
		padding-block: 0.5rem;
	}
	.check {
		display: flex;
		gap: 0.6rem;
		align-items: center;
		min-height: 44px;
	}
	.check input {
		width: 18px;
		height: 18px;
		accent-color: var(--felt);
	}
	ul {
		display: grid;
		gap: 0.5rem;
	}
	.verdict {
		font-size: 1.5rem;
	}
	li a {
		text-decoration: underline;
		color: var(--felt);
	}
	@media (max-width: 800px) {
		.page-in {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
