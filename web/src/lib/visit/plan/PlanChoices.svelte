<script lang="ts">
	import { untrack } from 'svelte';
	import { PRIORITIES, PRIORITY_IDS } from '@fendrel/core';
	import { BALANCED, wishWords } from '$lib/tuning/curve';
	import { NO_STRETCH, stretchByCurve, stretchWord } from '$lib/tuning/stretch';
	import { newCurve } from '../begin';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import A4Choice from './A4Choice.svelte';
	import OrderChoices from './OrderChoices.svelte';
	import ShiftedKeys from './ShiftedKeys.svelte';
	import TemperamentChoice from './TemperamentChoice.svelte';
	import ToleranceChoice from './ToleranceChoice.svelte';

	interface Props {
		open: KeyboardVisit;
		/** What the stretch does, in a sentence. */
		stretched: string;
		/** Strings that move with these choices, of how many. */
		moved: { readonly moved: number; readonly all: number } | undefined;
	}
	let { open, stretched, moved }: Props = $props();
	const { visit, instrument, measured } = $derived(open);
	const { stretch } = $derived(visit);
	/** The curve that is or was the plan's: it can be chosen again. */
	let curve = $state.raw(untrack(() => open.curve));
	$effect(() => {
		curve = open.curve ?? curve;
	});
	const NONE = stretchWord(NO_STRETCH);
	function chooseStretch(value: string) {
		if (value === NONE) return open.replan({ stretch: NO_STRETCH });
		if (value === curve?.id) return open.replan({ stretch: stretchByCurve(value) });
		const lead = PRIORITY_IDS.find((id) => id === value);
		if (!lead) return;
		const drawn = newCurve({ ...instrument, measured }, { ...BALANCED, lead }, visit.id);
		open.replan({ stretch: stretchByCurve(drawn.id) }, drawn);
	}
</script>

<section class="choices" aria-label="Choices">
	<A4Choice {open} />
	<TemperamentChoice {open}>
		{#if moved}{moved.moved} of {moved.all} strings move to it.{/if}
	</TemperamentChoice>
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
	<ToleranceChoice {open} hint="cents; a string holds within half" />
	<OrderChoices {open} />
	{#if instrument.kind === 'harpsichord'}<ShiftedKeys {open} />{/if}
</section>

<style>
	.choices {
		display: grid;
		gap: 0.65rem;
		align-content: start;
	}
	legend {
		font-weight: 600;
		margin-bottom: 0.2rem;
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
