<script lang="ts">
	import { A4_PRESETS, INSTRUMENT_KINDS } from '@fendrel/core';
	import { onMount, tick, untrack } from 'svelte';
	import { page } from '$app/state';
	import { superForm, type SuperValidated } from 'sveltekit-superforms';
	import { isSignedOut, keepUnsent, takeUnsent } from '$lib/ui/unsent';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { ANOTHER_PLACE, asTyped } from './placeChoice';
	import NeckFieldsForm from './NeckFieldsForm.svelte';
	import ReedFieldsForm from './ReedFieldsForm.svelte';
	import type { AlikePlace, InstrumentForm } from './instrumentForm';

	interface Props {
		data: SuperValidated<InstrumentForm>;
		locations: readonly { readonly name: string; readonly town: string }[];
		/** Address to go back to without saving. */
		back: string;
		save: string;
	}
	let { data, locations, back, save }: Props = $props();
	const { form, errors, enhance, submitting, message, tainted, isTainted } = superForm(
		untrack(() => data),
		{
			taintedMessage: 'You have not saved yet. Leave without saving?',
			onResult({ result }) {
				const { userId } = page.data.signedIn ?? {};
				if (isSignedOut(result) && userId) keepUnsent({ path: page.url.pathname, userId, fields: $form });
			}
		}
	);
	/** What was sent before the session ended goes out now that somebody has signed in again. */
	let element = $state<HTMLFormElement>();
	let isSentAgain = $state(false);
	onMount(async () => {
		const { userId } = page.data.signedIn ?? {};
		const fields = userId && takeUnsent(page.url.pathname, userId);
		if (!fields) return;
		form.set({ ...$form, ...fields }, { taint: false });
		isSentAgain = true;
		await tick();
		element?.requestSubmit();
	});

	/** Places that are written like the one that was sent: which is meant is asked. */
	const alike = $derived((page.form as { alike?: readonly AlikePlace[] } | null)?.alike ?? []);

	/** The place's town is known once its name is. */
	function fillTown() {
		$form.place = '';
		const known = locations.find(({ name }) => name === $form.location);
		if (known && $form.town === '') $form.town = known.town;
	}
	const USUAL: Record<string, [string, string]> = {
		grand: ['A0', 'C8'],
		upright: ['A0', 'C8'],
		fortepiano: ['F1', 'F6'],
		harpsichord: ['F1', 'F6']
	};
	function fillCompass() {
		const usual = USUAL[$form.kind];
		if (usual && !isTainted($tainted?.lowest) && !isTainted($tainted?.highest)) [$form.lowest, $form.highest] = usual;
	}
</script>

{#snippet problem(texts: string[] | undefined)}
	{#if texts}<span class="problem" role="alert">{texts[0]}</span>{/if}
{/snippet}

<form method="POST" use:enhance class="form" bind:this={element}>
	{#if isSentAgain}<p class="soft wide" role="status">You were signed out when you sent this. It is sent again.</p>{/if}
	{#if $message}<p class="notice wide" role="alert">{$message}</p>{/if}
	<label class="field wide">
		<span>Name</span>
		<input
			class="input"
			name="name"
			bind:value={$form.name}
			aria-invalid={!!$errors.name}
			placeholder="Practice room 24"
		/>
		{@render problem($errors.name)}
	</label>
	<label class="field">
		<span>Kind</span>
		<select class="select" name="kind" bind:value={$form.kind} onchange={fillCompass}>
			{#each INSTRUMENT_KINDS as kind (kind)}<option value={kind}>{KIND_NAMES[kind]}</option>{/each}
		</select>
		{@render problem($errors.kind)}
	</label>
	<label class="field">
		<span>Usual A4, Hz</span>
		<input
			class="input"
			name="usualA4"
			inputmode="decimal"
			list="a4-presets"
			bind:value={$form.usualA4}
			aria-invalid={!!$errors.usualA4}
		/>
		<datalist id="a4-presets"
			>{#each A4_PRESETS as preset (preset)}<option value={preset}></option>{/each}</datalist
		>
		{@render problem($errors.usualA4)}
	</label>
	{#if $form.kind === 'reeds'}<ReedFieldsForm {form} {errors} />{:else if $form.kind === 'frets'}<NeckFieldsForm
			{form}
			{errors}
		/>{:else}
		<label class="field">
			<span>Lowest note</span>
			<input class="input" name="lowest" bind:value={$form.lowest} aria-invalid={!!$errors.lowest} />
			{@render problem($errors.lowest)}
		</label>
		<label class="field">
			<span>Highest note</span>
			<input class="input" name="highest" bind:value={$form.highest} aria-invalid={!!$errors.highest} />
			{@render problem($errors.highest)}
		</label>
	{/if}
	<label class="field">
		<span>Place</span>
		<input
			class="input"
			name="location"
			list="locations"
			bind:value={$form.location}
			onchange={fillTown}
			aria-invalid={!!$errors.location}
		/>
		<datalist id="locations"
			>{#each locations as { name } (name)}<option value={name}></option>{/each}</datalist
		>
		{@render problem($errors.location)}
	</label>
	<label class="field">
		<span>Town</span>
		<input
			class="input"
			name="town"
			bind:value={$form.town}
			onchange={() => ($form.place = '')}
			aria-invalid={!!$errors.town}
		/>
		{@render problem($errors.town)}
	</label>
	{#if alike.length}
		{@const typed = [$form.location, $form.town].filter(Boolean).join(', ')}
		<fieldset class="wide">
			<legend>Which place is it?</legend>
			{#each alike as { id, name, town } (id)}
				{@const written = [name, town].filter(Boolean).join(', ')}
				<label><input class="radio" type="radio" name="place" value={id} bind:group={$form.place} /> {written}</label>
				<label
					><input class="radio" type="radio" name="place" value={asTyped(id)} bind:group={$form.place} />
					{written}: write it “{typed}” from now on</label
				>
			{/each}
			<label
				><input class="radio" type="radio" name="place" value={ANOTHER_PLACE} bind:group={$form.place} /> Another place,
				“{typed}”</label
			>
		</fieldset>
	{/if}
	<label class="field">
		<span>Maker</span>
		<input class="input" name="maker" bind:value={$form.maker} aria-invalid={!!$errors.maker} />
		{@render problem($errors.maker)}
	</label>
	<label class="field">
		<span>Made in</span>
		<input class="input" name="madeIn" inputmode="numeric" bind:value={$form.madeIn} aria-invalid={!!$errors.madeIn} />
		{@render problem($errors.madeIn)}
	</label>
	<label class="field wide">
		<span>Notes</span>
		<textarea class="textarea" name="notes" rows="4" bind:value={$form.notes} aria-invalid={!!$errors.notes}></textarea>
		{@render problem($errors.notes)}
	</label>
	<input type="hidden" name="version" bind:value={$form.version} />
	<div class="wide flex gap-3">
		<button class="btn preset-filled-brand" disabled={$submitting}>{save}</button>
		<a class="btn preset-outlined-surface-300-700" href={back}>Cancel</a>
	</div>
</form>

<style>
	fieldset label {
		display: flex;
		align-items: center;
		gap: 0.6rem;
		min-height: 44px;
	}
	legend {
		font-weight: 600;
	}
	.form {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 1.25rem 1.5rem;
		align-items: start;
		max-width: 44rem;
		margin-top: 1.5rem;
	}
	.wide {
		grid-column: 1 / -1;
	}
	@media (max-width: 560px) {
		.form {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
