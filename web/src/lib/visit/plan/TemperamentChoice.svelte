<script lang="ts">
	import type { Snippet } from 'svelte';
	import { grouped } from '$lib/tuning/storedTemperament';
	import type { FretVisit } from '../fretVisit.svelte';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';

	interface Props {
		open: KeyboardVisit | FretVisit;
		/** What it costs, after what it is. */
		children?: Snippet;
	}
	let { open, children }: Props = $props();
	const { visit, temperament } = $derived(open);
</script>

<fieldset>
	<legend>Temperament</legend>
	<select
		class="select"
		aria-label="Temperament"
		value={visit.temperamentId}
		onchange={(event) => open.replan({ temperamentId: event.currentTarget.value })}
	>
		{#each grouped(open.about.temperaments) as { title, members } (title)}
			<optgroup label={title}>
				{#each members as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</optgroup>
		{/each}
	</select>
	<p class="soft about">
		{temperament.character}
		{@render children?.()}
		<a href="/temperaments/{temperament.slug}">More about it</a>
	</p>
</fieldset>

<style>
	legend {
		font-weight: 600;
		margin-bottom: 0.2rem;
	}
	.about {
		font-size: 0.85rem;
		line-height: 1.3;
		margin-top: 0.2rem;
	}
	.about a {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
</style>
