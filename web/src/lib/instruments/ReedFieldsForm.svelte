<script lang="ts">
	import { REED_LENGTHS, REED_METALS } from '@fendrel/core';
	import type { SuperForm } from 'sveltekit-superforms';
	import type { InstrumentForm } from './instrumentForm';
	import { LAYOUT_CHOICES, OWN_LAYOUT } from './reedForm';

	interface Props {
		form: SuperForm<InstrumentForm>['form'];
		errors: SuperForm<InstrumentForm>['errors'];
	}
	let { form, errors }: Props = $props();
</script>

{#snippet problem(texts: string[] | undefined)}
	{#if texts}<span class="problem" role="alert">{texts[0]}</span>{/if}
{/snippet}

<label class="field">
	<span>Layout</span>
	<select class="select" name="layout" bind:value={$form.layout}>
		{#each LAYOUT_CHOICES as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</select>
</label>
<label class="field">
	<span>Lowest tonic</span>
	<input class="input" name="tonic" bind:value={$form.tonic} aria-invalid={!!$errors.tonic} placeholder="C4" />
	{@render problem($errors.tonic)}
</label>
{#if $form.layout === OWN_LAYOUT}
	<label class="field wide">
		<span>Holes: on each line a hole, its blow note and its draw note; a dash where there is no reed</span>
		<textarea
			class="textarea mono"
			name="holes"
			rows="6"
			bind:value={$form.holes}
			aria-invalid={!!$errors.holes}
			placeholder="1 C4 D4&#10;2 E4 G4&#10;3 G4 -"></textarea>
		{@render problem($errors.holes)}
	</label>
{/if}
<label class="field wide">
	<span>Auxiliary reeds: on each line the reed that bends and the note wanted, or nothing</span>
	<textarea
		class="textarea mono"
		name="auxiliaries"
		rows="2"
		bind:value={$form.auxiliaries}
		aria-invalid={!!$errors.auxiliaries}
		placeholder="blow 5 Eb5"></textarea>
	{@render problem($errors.auxiliaries)}
</label>
<label class="field">
	<span>Reed metal</span>
	<select class="select" name="metal" bind:value={$form.metal}>
		{#each REED_METALS as metal (metal)}<option value={metal}>{metal}</option>{/each}
	</select>
</label>
<label class="field">
	<span>Reed length</span>
	<select class="select" name="length" bind:value={$form.length}>
		{#each REED_LENGTHS as length (length)}<option value={length}>{length}</option>{/each}
	</select>
</label>
<label class="field">
	<span>From hole to hole, mm</span>
	<input class="input" name="spacing" inputmode="decimal" bind:value={$form.spacing} aria-invalid={!!$errors.spacing} />
	{@render problem($errors.spacing)}
</label>

<style>
	.wide {
		grid-column: 1 / -1;
	}
</style>
