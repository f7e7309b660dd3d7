<script lang="ts">
	import { isTied, NECK_FAMILIES, neckById, STRING_STUFF } from '@fendrel/core';
	import type { SuperForm } from 'sveltekit-superforms';
	import { capital } from '$lib/ui/format';
	import type { InstrumentForm } from './instrumentForm';
	import { NECK_CHOICES, OWN_NECK } from './neckForm';
	import { lengthUnit, lengthWords, typedLength } from '$lib/ui/measures';

	interface Props {
		form: SuperForm<InstrumentForm>['form'];
		errors: SuperForm<InstrumentForm>['errors'];
	}
	let { form, errors }: Props = $props();
	const usual = $derived(neckById($form.neck)?.neck);
	const isFixed = $derived(!isTied({ family: usual?.family ?? $form.neckFamily }));
	type TypedField = 'scale' | 'openStrings' | 'frets' | 'actionFirst' | 'actionLast' | 'capo';
	/** What the strings are follows the neck until somebody says otherwise. */
	function fillStuff() {
		if (usual) $form.stuff = usual.stuff;
	}
</script>

{#snippet problem(texts: string[] | undefined)}
	{#if texts}<span class="problem" role="alert">{texts[0]}</span>{/if}
{/snippet}

{#snippet typed(name: TypedField, label: string, placeholder: string)}
	<label class="field">
		<span>{label}</span>
		<input class="input" {name} bind:value={$form[name]} aria-invalid={!!$errors[name]} {placeholder} />
		{@render problem($errors[name])}
	</label>
{/snippet}

<label class="field">
	<span>Neck</span>
	<select class="select" name="neck" bind:value={$form.neck} onchange={fillStuff}>
		{#each NECK_CHOICES as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</select>
</label>
{@render typed('scale', 'Scale, nut to bridge', usual ? lengthWords(usual.scale, 0) : '690 mm, 69 cm or 27.2 in')}
{#if $form.neck === OWN_NECK}
	<label class="field">
		<span>Family</span>
		<select class="select" name="neckFamily" bind:value={$form.neckFamily}>
			{#each NECK_FAMILIES as family (family)}<option value={family}>{capital(family)}</option>{/each}
		</select>
	</label>
	{@render typed(
		'openStrings',
		'Open strings from the highest; a course as F3+F3, with an octave string as F3+F4',
		'D4 A3 E3 C3 G2 D2'
	)}
{/if}
<label class="field">
	<span>Strings</span>
	<select class="select" name="stuff" bind:value={$form.stuff}>
		{#each STRING_STUFF as stuff (stuff)}<option value={stuff}>{capital(stuff)}</option>{/each}
	</select>
</label>
{@render typed('frets', 'Frets', String(usual?.frets ?? 7))}
{@render typed(
	'actionFirst',
	`String height at the first fret, ${lengthUnit()}`,
	typedLength(usual?.action.first ?? 1.5)
)}
{@render typed('actionLast', `String height at the last fret, ${lengthUnit()}`, typedLength(usual?.action.last ?? 5))}
{#if isFixed}
	{@render typed('capo', 'Capo, where it usually sits: the fret', 'none')}
{:else}
	<label class="field wide">
		<span
			>Where frets lie, where somebody has measured: on each line the fret, and mm from the nut at the lowest and the
			highest string</span
		>
		<textarea
			class="textarea mono"
			name="fretPlaces"
			rows="3"
			bind:value={$form.fretPlaces}
			aria-invalid={!!$errors.fretPlaces}
			placeholder="1 39.0 38.4"></textarea>
		{@render problem($errors.fretPlaces)}
	</label>
{/if}

<style>
	.wide {
		grid-column: 1 / -1;
	}
</style>
