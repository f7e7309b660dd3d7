<script lang="ts" generics="Body">
	import { SURVEY_STEPS } from '@fendrel/core';
	import NoteRuns from '$lib/settings/NoteRuns.svelte';
	import type { SurveyOf } from './surveyChoice.svelte';
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
	const NAMES: Record<SurveyOf, string> = {
		walk: 'walk: all strings open',
		quick: '13 strings',
		sampled: 'about 30 strings',
		thorough: 'every note',
		1: 'every note',
		2: 'every second note',
		3: 'every third note',
		4: 'every fourth note',
		6: 'every sixth note',
		own: 'notes of your own'
	};
	const CHOICES: readonly SurveyOf[] = [
		'walk',
		'quick',
		'sampled',
		'thorough',
		...SURVEY_STEPS.filter((step) => step > 1),
		'own'
	];
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
			value={String(choice.of)}
			onchange={(event) => {
				const { value } = event.currentTarget;
				const of = CHOICES.find((each) => String(each) === value)!;
				survey.choose(() => (choice.of = of));
			}}
		>
			{#each CHOICES as each (each)}<option value={String(each)}>{NAMES[each]}</option>{/each}
		</select>
	</label>
	{#if choice.of === 'own'}
		<div class="own">
			<NoteRuns
				label="Notes to read"
				placeholder="A0, F3 to F4, C5, C6"
				runs={choice.own}
				onchange={(own) => survey.choose(() => (choice.own = own))}
			/>
		</div>
	{:else if choice.of === 'sampled'}
		<label class="tick"
			><input
				type="checkbox"
				checked={!choice.declined}
				onchange={(event) => {
					const declined = !event.currentTarget.checked;
					survey.choose(() => (choice.declined = declined));
				}}
			/> F3 to F4 whole</label
		>
	{/if}
	{#if choice.of !== 'walk'}
		<label class="tick"
			><input
				type="checkbox"
				checked={!choice.topLeftOut}
				onchange={(event) => {
					const leftOut = !event.currentTarget.checked;
					survey.choose(() => (choice.topLeftOut = leftOut));
				}}
			/> top two octaves</label
		>
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
	.tick {
		display: flex;
		gap: 0.4rem;
		align-items: center;
		min-height: 44px;
		font-size: 0.9rem;
		white-space: nowrap;
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
