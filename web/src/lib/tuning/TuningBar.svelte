<script lang="ts">
	import { A4_PRESETS, PRIORITIES, STRING_KINDS } from '@fendrel/core';
	import { ask } from '$lib/ui/address';
	import type { TuningChoice } from './choice';
	import { KIND_NAMES } from './kinds';
	import { NO_STRETCH, stretchWord } from './stretch';
	import { grouped } from './storedTemperament';
	import { onShortDay } from '$lib/ui/format';
	import FindInstrument from './FindInstrument.svelte';

	interface Props {
		choice: TuningChoice;
		/** Leaves the temperament to the page's address. */
		fixedTemperament?: boolean;
	}
	let { choice, fixedTemperament = false }: Props = $props();
	/** In place of an instrument's number. */
	const FIND = 'find';

	let finding = $state(false);
	/** The chosen one stands in the list also where it is not among the first. */
	const offered = $derived.by(() => {
		const { instruments, instrument } = choice;
		const isOffered = !instrument || instruments.some(({ id }) => id === instrument.id);
		return isOffered ? instruments : [...instruments, instrument];
	});

	function takeInstrument(value: string) {
		if (value === FIND) {
			finding = true;
			return;
		}
		const kind = STRING_KINDS.find((each) => each === value);
		// A curve belongs to its instrument: the next one has its own.
		const stretch = kind && !choice.curve ? stretchWord(choice.stretch) : undefined;
		void ask(
			kind ? { instrument: undefined, kind, stretch } : { kind: undefined, instrument: value, a4: undefined, stretch }
		);
	}
</script>

<fieldset aria-label="What this is computed for">
	<select
		class="select fit instrument"
		aria-label="Instrument"
		value={choice.instrument?.id ?? choice.kind}
		onchange={(event) => {
			takeInstrument(event.currentTarget.value);
			// Looking for one is no choice yet.
			if (finding) event.currentTarget.value = choice.instrument?.id ?? choice.kind;
		}}
	>
		<optgroup label="Typical">
			{#each STRING_KINDS as kind (kind)}<option value={kind}>{KIND_NAMES[kind]}, typical</option>{/each}
		</optgroup>
		{#if offered.length}
			<optgroup label="Yours">
				{#each offered as { id, name } (id)}<option value={id}>{name}</option>{/each}
				{#if choice.hasMore}<option value={FIND}>find another …</option>{/if}
			</optgroup>
		{/if}
	</select>
	{#if !fixedTemperament}
		<select
			class="select fit"
			aria-label="Temperament"
			value={choice.temperament.slug}
			onchange={(event) => ask({ temperament: event.currentTarget.value })}
		>
			{#each grouped(choice.temperaments) as { title, members } (title)}
				<optgroup label={title}>
					{#each members as { slug, name } (slug)}<option value={slug}>{name}</option>{/each}
				</optgroup>
			{/each}
		</select>
	{/if}
	<select
		class="select fit"
		aria-label="A4"
		value={choice.a4}
		onchange={(event) => ask({ a4: Number(event.currentTarget.value) })}
	>
		{#each [...new Set([...A4_PRESETS, choice.a4])].sort((a, b) => a - b) as each (each)}
			<option value={each}>A4 = {each} Hz</option>
		{/each}
	</select>
	<select
		class="select fit stretch"
		aria-label="Stretch"
		value={stretchWord(choice.stretch)}
		onchange={(event) => ask({ stretch: event.currentTarget.value })}
	>
		{#if choice.planned}<option value={stretchWord(choice.planned)}>stretch as planned for it</option>{/if}
		{#if choice.curve && !(choice.planned?.by === 'curve' && choice.planned.id === choice.curve.id)}
			<option value={choice.curve.id}>curve of {onShortDay(choice.curve.madeAt)}</option>
		{/if}
		<option value={stretchWord(NO_STRETCH)}>no stretch</option>
		{#each PRIORITIES as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</select>
</fieldset>
{#if finding}
	<FindInstrument
		onclose={() => (finding = false)}
		onchoose={(id) => {
			finding = false;
			takeInstrument(id);
		}}
	/>
{/if}

<style>
	.select {
		max-width: min(12rem, 100%);
	}
	.stretch {
		max-width: min(9.4rem, 100%);
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	@media print {
		fieldset {
			display: none;
		}
	}
</style>
