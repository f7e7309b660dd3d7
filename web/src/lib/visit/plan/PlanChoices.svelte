<script lang="ts">
	import { untrack } from 'svelte';
	import { A4_PRESETS, PRIORITIES, PRIORITY_IDS, TOLERANCES } from '@fendrel/core';
	import { BALANCED, wishWords } from '$lib/tuning/curve';
	import { NO_STRETCH, stretchByCurve, stretchWord } from '$lib/tuning/stretch';
	import { grouped } from '$lib/tuning/storedTemperament';
	import { inHz } from '$lib/ui/format';
	import { newCurve } from '../begin';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { parseA4 } from '../a4';
	import OrderChoices from './OrderChoices.svelte';

	interface Props {
		open: KeyboardVisit;
		/** What the stretch does, in a sentence. */
		stretched: string;
		/** Strings that move with these choices, of how many. */
		moved: { readonly moved: number; readonly all: number } | undefined;
	}
	let { open, stretched, moved }: Props = $props();
	const { visit, temperament, instrument, measured } = $derived(open);
	const { a4, tolerance, stretch } = $derived(visit);
	/** The curve that is or was the plan's: it can be chosen again. */
	let curve = $state.raw(untrack(() => open.curve));
	$effect(() => {
		curve = open.curve ?? curve;
	});
	let a4Text = $derived(inHz(a4));
	let a4Problem = $state<string | undefined>();

	const NONE = stretchWord(NO_STRETCH);
	function chooseStretch(value: string) {
		if (value === NONE) return open.replan({ stretch: NO_STRETCH });
		if (value === curve?.id) return open.replan({ stretch: stretchByCurve(value) });
		const lead = PRIORITY_IDS.find((id) => id === value);
		if (!lead) return;
		const drawn = newCurve({ ...instrument, measured }, { ...BALANCED, lead }, visit.id);
		open.replan({ stretch: stretchByCurve(drawn.id) }, drawn);
	}
	function chooseA4(value: number) {
		a4Problem = undefined;
		a4Text = inHz(value);
		if (value !== a4) open.replan({ a4: value });
	}
	function typeA4() {
		const parsed = parseA4(a4Text);
		if ('problem' in parsed) a4Problem = parsed.problem;
		else chooseA4(parsed.value);
	}
</script>

<section class="choices" aria-label="Choices">
	<fieldset>
		<legend>A4, Hz</legend>
		<div class="presets">
			{#each A4_PRESETS as preset (preset)}
				<button type="button" class="choice mono" aria-pressed={a4 === preset} onclick={() => chooseA4(preset)}
					>{preset}</button
				>
			{/each}
			<input
				class="input mono"
				inputmode="decimal"
				aria-label="A4 in hertz, any value from 380 to 480"
				aria-invalid={!!a4Problem}
				bind:value={a4Text}
				onchange={typeA4}
			/>
		</div>
		{#if a4Problem}<p class="problem" role="alert">{a4Problem} The plan stays at {inHz(a4)} Hz.</p>{/if}
	</fieldset>
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
			{#if moved}{moved.moved} of {moved.all} strings move to it.{/if}
			<a href="/temperaments/{temperament.slug}">More about it</a>
		</p>
	</fieldset>
	<fieldset>
		<legend>Stretch</legend>
		<select
			class="select"
			aria-label="Stretch"
			value={stretchWord(stretch)}
			onchange={(event) => chooseStretch(event.currentTarget.value)}
		>
			{#if curve}<option value={curve.id}>{wishWords(curve.wish)}</option>{/if}
			<option value={NONE}>None: first partials in the temperament</option>
			<optgroup label="Draw a new curve">
				{#each PRIORITIES as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</optgroup>
		</select>
		<p class="soft about">{stretched} <a href="/visits/{visit.id}/plan/curve">Shape it on the curve sheet</a></p>
	</fieldset>
	<fieldset>
		<legend>Tolerance <span class="soft">cents; a string holds within half</span></legend>
		<div class="presets">
			{#each TOLERANCES as each (each)}
				<button
					type="button"
					class="choice mono"
					aria-pressed={tolerance === each}
					onclick={() => each !== tolerance && open.replan({ tolerance: each })}>{each}</button
				>
			{/each}
		</div>
	</fieldset>
	<OrderChoices {open} />
</section>

<style>
	.choices {
		display: grid;
		gap: 0.65rem;
		align-content: start;
	}
	legend span {
		font-weight: 400;
	}
	legend {
		font-weight: 600;
		margin-bottom: 0.2rem;
	}
	.presets {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
	}
	.choice {
		padding: 0 0.35rem;
	}
	.presets input {
		width: 4.9rem;
		padding-inline: 0.4rem;
		min-height: 44px;
		background: var(--sheet);
	}
	.about a {
		color: var(--felt);
		text-decoration: underline;
	}
	.about {
		font-size: 0.9rem;
		line-height: 1.35;
		margin-top: 0.3rem;
	}
</style>
