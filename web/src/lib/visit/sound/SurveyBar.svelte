<script lang="ts" generics="Body">
	import { SURVEY_STEPS } from '@fendrel/core';
	import NoteRuns from '$lib/settings/NoteRuns.svelte';
	import type { SurveyOf } from './surveyChoice.svelte';
	import NoteField from '$lib/ui/NoteField.svelte';
	import SourceChoice from '$lib/listening/SourceChoice.svelte';
	import type { Survey } from './survey.svelte';

	interface Props {
		survey: Survey<Body>;
		/** A recording was chosen. */
		onfile: (file: File | undefined) => void;
		/** Pitches are to be typed or pasted. */
		ontype: () => void;
	}
	let { survey, onfile, ontype }: Props = $props();
	const { choice } = $derived(survey);
	let picker = $state<HTMLInputElement>();
	interface Wanted {
		readonly name: string;
		readonly of: SurveyOf;
		readonly declined?: boolean;
		readonly topLeftOut?: boolean;
	}
	const EVERY: Record<number, string> = { 2: 'second', 3: 'third', 4: 'fourth', 6: 'sixth' };
	const CHOICES: readonly Wanted[] = [
		{ name: 'walk: all strings open', of: 'walk' },
		{ name: 'one note and its neighbours', of: 'around' },
		{ name: '13 strings', of: 'quick' },
		{ name: 'about 30 strings', of: 'sampled' },
		{ name: 'about 30, but the top two octaves', of: 'sampled', topLeftOut: true },
		{ name: 'about 30, F3 to F4 not whole', of: 'sampled', declined: true },
		{ name: 'every note', of: 'thorough' },
		...SURVEY_STEPS.filter((step) => step > 1).map((step) => ({ name: `every ${EVERY[step]} note`, of: step })),
		{ name: 'notes of your own', of: 'own' }
	];
	const chosen = $derived(
		CHOICES.findIndex(
			({ of, declined = false, topLeftOut = false }) =>
				of === survey.choice.of && declined === survey.choice.declined && topLeftOut === survey.choice.topLeftOut
		)
	);
	function choose({ of, declined = false, topLeftOut = false }: Wanted) {
		survey.choose(() => Object.assign(survey.choice, { of, declined, topLeftOut }));
	}
	function onpick() {
		onfile(picker?.files?.[0]);
		if (picker) picker.value = '';
	}
</script>

<div class="bar">
	<SourceChoice listening={survey.listening} />
	<label class="every">
		<span class="soft">Survey of</span>
		<select
			class="select"
			value={String(chosen)}
			onchange={(event) => choose(CHOICES[Number(event.currentTarget.value)])}
		>
			{#each CHOICES as { name }, i (name)}<option value={String(i)}>{name}</option>{/each}
		</select>
	</label>
	{#if choice.of === 'around'}
		<NoteField
			label="Which note"
			note={choice.around}
			isThere={(note) => survey.has(note)}
			onnote={(note) => survey.choose(() => (choice.around = note))}
		/>
	{:else if choice.of === 'own'}
		<div class="own">
			<NoteRuns
				label="Notes to read"
				placeholder="A0, F3 to F4, C5, C6"
				runs={choice.own}
				onchange={(own) => survey.choose(() => (choice.own = own))}
			/>
		</div>
	{/if}
	<div class="elsewhere">
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={ontype}>Type or paste</button>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => picker?.click()}>Recording</button>
	</div>
	<input bind:this={picker} type="file" class="hidden" aria-label="Recording" onchange={onpick} />
</div>

<style>
	.bar {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 1rem;
		align-items: center;
		padding: 0.75rem 1.5rem;
		border-bottom: 1px solid var(--line);
	}
	.elsewhere {
		display: flex;
		gap: 0.5rem;
		margin-left: auto;
	}
	.every {
		display: flex;
		align-items: center;
		gap: 0.6rem;
	}
	.own {
		min-width: 15rem;
	}
	.every span {
		font-size: 0.9rem;
		white-space: nowrap;
	}
	select {
		min-height: 44px;
		background: var(--sheet);
	}
	@media (max-width: 820px) {
		.elsewhere {
			margin-left: 0;
		}
	}
</style>
