<script lang="ts">
	import { neckById, NECK_FAMILIES, STRING_STUFF } from '@fendrel/core';
	import type { SuperForm } from 'sveltekit-superforms';
	import { capital } from '$lib/ui/format';
	import type { InstrumentForm } from './instrumentForm';
	import { NECK_CHOICES, OWN_NECK } from './neckForm';

	interface Props {
		form: SuperForm<InstrumentForm>['form'];
		errors: SuperForm<InstrumentForm>['errors'];
	}
	let { form, errors }: Props = $props();
	const usual = $derived(neckById($form.neck)?.neck);
	const isTied = $derived((usual?.family ?? $form.neckFamily) !== 'guitar');
	/** What the strings are follows the neck until somebody says otherwise. */
	function fillStuff() {
		if (usual) $form.stuff = usual.stuff;
	}
</script>

{#snippet problem(texts: string[] | undefined)}
	{#if texts}<span class="problem" role="alert">{texts[0]}</span>{/if}
{/snippet}

<label class="field">
	<span>Neck</span>
	<select class="select" name="neck" bind:value={$form.neck} onchange={fillStuff}>
		{#each NECK_CHOICES as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</select>
</label>
<label class="field">
	<span>Scale, nut to bridge</span>
	<input
		class="input"
		name="scale"
		bind:value={$form.scale}
		aria-invalid={!!$errors.scale}
		placeholder={usual ? `${usual.scale} mm` : '690 mm, 69 cm or 27.2 in'}
	/>
	{@render problem($errors.scale)}
</label>
{#if $form.neck === OWN_NECK}
	<label class="field">
		<span>Family</span>
		<select class="select" name="neckFamily" bind:value={$form.neckFamily}>
			{#each NECK_FAMILIES as family (family)}<option value={family}>{capital(family)}</option>{/each}
		</select>
	</label>
	<label class="field">
		<span>Open strings from the highest; a course as F3+F3, with an octave string as F3+F4</span>
		<input
			class="input"
			name="openStrings"
			bind:value={$form.openStrings}
			aria-invalid={!!$errors.openStrings}
			placeholder="D4 A3 E3 C3 G2 D2"
		/>
		{@render problem($errors.openStrings)}
	</label>
{/if}
<label class="field">
	<span>Strings</span>
	<select class="select" name="stuff" bind:value={$form.stuff}>
		{#each STRING_STUFF as stuff (stuff)}<option value={stuff}>{capital(stuff)}</option>{/each}
	</select>
</label>
<label class="field">
	<span>Frets</span>
	<input
		class="input"
		name="frets"
		inputmode="numeric"
		bind:value={$form.frets}
		aria-invalid={!!$errors.frets}
		placeholder={String(usual?.frets ?? 7)}
	/>
	{@render problem($errors.frets)}
</label>
<label class="field">
	<span>String height at the first fret, mm</span>
	<input
		class="input"
		name="actionFirst"
		inputmode="decimal"
		bind:value={$form.actionFirst}
		aria-invalid={!!$errors.actionFirst}
		placeholder={String(usual?.action.first ?? 1.5)}
	/>
	{@render problem($errors.actionFirst)}
</label>
<label class="field">
	<span>String height at the last fret, mm</span>
	<input
		class="input"
		name="actionLast"
		inputmode="decimal"
		bind:value={$form.actionLast}
		aria-invalid={!!$errors.actionLast}
		placeholder={String(usual?.action.last ?? 5)}
	/>
	{@render problem($errors.actionLast)}
</label>
{#if isTied}
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
{:else}
	<label class="field">
		<span>Capo usually at fret</span>
		<input
			class="input"
			name="capo"
			inputmode="numeric"
			bind:value={$form.capo}
			aria-invalid={!!$errors.capo}
			placeholder="none"
		/>
		{@render problem($errors.capo)}
	</label>
{/if}

<style>
	.wide {
		grid-column: 1 / -1;
	}
</style>
