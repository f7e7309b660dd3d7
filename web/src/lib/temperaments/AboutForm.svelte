<script lang="ts">
	import { untrack } from 'svelte';
	import { TEMPERAMENT_FAMILIES, USES } from '@fendrel/core';
	import { goto } from '$app/navigation';
	import type { Design } from './design.svelte';
	import { keep } from './requests';
	import type { Draft } from './temperamentDraft';

	interface Props {
		design: Design;
		begin: Draft;
		/** The own temperament that is changed; undefined for a new one. */
		over?: { readonly slug: string; readonly version: number };
	}
	let { design, begin, over }: Props = $props();
	let about = $state(untrack(() => ({ ...begin, uses: [...begin.uses] })));
	let questions = $state<readonly string[]>([]);
	let problems = $state<readonly string[]>([]);
	let saving = $state(false);

	async function save(confirmed: boolean) {
		saving = true;
		questions = problems = [];
		const result = await keep({ ...about, tuning: design.tuning }, confirmed, over);
		saving = false;
		if (result.kind === 'refused') problems = result.problems;
		else if (result.kind === 'ask') questions = result.questions;
		else {
			design.changed = false;
			await goto(`/temperaments/${result.slugs[0]}`, { invalidateAll: true });
		}
	}
	function onsubmit(event: SubmitEvent) {
		event.preventDefault();
		void save(false);
	}
</script>

<form {onsubmit} oninput={() => (design.changed = true)}>
	<label class="field name"><span>Name</span><input class="input" bind:value={about.name} maxlength="80" /></label>
	<label class="field"
		><span>Character</span><select class="select" bind:value={about.family}>
			{#each TEMPERAMENT_FAMILIES as each (each)}<option value={each}>{each}</option>{/each}
		</select></label
	>
	<label class="field wide"
		><span>In words</span><textarea class="textarea" rows="2" maxlength="500" bind:value={about.character}
		></textarea></label
	>
	<fieldset class="wide uses">
		<legend>Good for</legend>
		{#each USES as each (each)}
			<label><input type="checkbox" value={each} bind:group={about.uses} /> {each}</label>
		{/each}
	</fieldset>
	<div class="wide end">
		{#each problems as problem (problem)}<p class="problem" role="alert">{problem}</p>{/each}
		{#each questions as question (question)}<p class="notice" role="alert">{question}</p>{/each}
		{#if questions.length}
			<button type="button" class="btn preset-filled-brand" onclick={() => save(true)}>Yes, keep it</button>
		{:else}
			<button class="btn preset-filled-brand" disabled={saving}
				>{over ? 'Keep the changes' : 'Keep it in the workshop'}</button
			>
		{/if}
	</div>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
		gap: 0.75rem 1rem;
		border-top: 1px solid var(--line);
		padding-top: 0.75rem;
	}
	.wide {
		grid-column: 1 / -1;
	}
	.uses {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 1.25rem;
	}
	.uses legend {
		font-weight: 600;
		font-size: 0.95rem;
	}
	.uses label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 40px;
	}
	.uses input {
		width: 18px;
		height: 18px;
		accent-color: var(--felt);
	}
	.end {
		display: grid;
		gap: 0.6rem;
		justify-items: start;
	}
	@media (max-width: 999px) {
		form {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
