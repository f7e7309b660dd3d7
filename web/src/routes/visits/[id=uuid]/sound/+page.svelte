<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { breakOf, noteName, summariseVisit, SURVEY_STEPS } from '@fendrel/core';
	import FoundChart from '$lib/charts/FoundChart.svelte';
	import InharmonicityChart from '$lib/charts/InharmonicityChart.svelte';
	import BigNote from '$lib/ui/BigNote.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { counted, flatOrSharp } from '$lib/ui/format';
	import Strip from '$lib/visit/Strip.svelte';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import SourceChoice from '$lib/listening/SourceChoice.svelte';
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import { roomState } from '$lib/listening/room';
	import RecordingDialog from '$lib/visit/sound/RecordingDialog.svelte';
	import { SOUND_KEYS, soundKeyAction } from '$lib/visit/sound/keys';
	import { Survey } from '$lib/visit/sound/survey.svelte';
	import { foundWords } from '$lib/visit/sound/words';
	import { inharmonicityPicture } from '$lib/instruments/scale/picture';
	import { familyOf } from '$lib/tuning/family';
	import { planFor } from '$lib/tuning/plan';

	let { data } = $props();
	// The work below stands on this plan for as long as the page is open; another plan makes the page anew.
	const { open } = untrack(() => data);
	const { visit, instrument, temperament, measured, curve, record, moved } = open;
	const { habits } = open.about;
	const { lowest, highest, twin, stringing } = instrument;
	const { family, body } = familyOf(instrument);
	const breakNote = breakOf(stringing);
	const plan = planFor({ ...instrument, a4: visit.a4, temperament, stretch: visit.stretch, curve, measured });
	const survey = new Survey({ visit, family, body, breakNote, twin, plan, habits, record, moved });
	const { listening } = survey;
	let file = $state.raw<File | undefined>();
	let dragging = $state(false);
	let picker = $state<HTMLInputElement>();
	onMount(() => survey.begin());

	const room = $derived(roomState(listening));
	const summary = $derived(summariseVisit(record.groups, family.groups(body), (group) => plan.targetOf(group)?.pitch));
	const allDone = $derived(survey.done.length === survey.notes.length);
	const last = $derived(survey.struck === undefined ? undefined : survey.found.get(survey.struck));
	const lastWords = $derived(last && foundWords(last));
	const points = $derived(
		[...survey.found.values()].flatMap((found) => {
			const offset = survey.offset(found.note);
			if (offset === undefined) return [];
			const { note, pitchError, spread, falseBeat, again } = found;
			return [
				{
					note,
					offset,
					error: pitchError,
					spread: spread === undefined || spread === 'none' ? undefined : spread.cents,
					falseBeat: falseBeat !== undefined && falseBeat !== 'none',
					again: again !== undefined
				}
			];
		})
	);
	const STEP_NAMES: Record<number, string> = {
		1: 'every note',
		2: 'every second note',
		3: 'every third note',
		4: 'every fourth note',
		6: 'every sixth note'
	};

	function onkeydown(event: KeyboardEvent) {
		const action = soundKeyAction(event);
		if (!action) return;
		event.preventDefault();
		survey.do(action);
	}
	function onclick({ detail, target }: MouseEvent) {
		if (detail > 0) (target as Element).closest<HTMLElement>('button')?.blur();
	}
	function ondrop(event: DragEvent) {
		event.preventDefault();
		dragging = false;
		file = event.dataTransfer?.files[0] ?? file;
	}
	function ondragover(event: DragEvent) {
		event.preventDefault();
		dragging = true;
	}
	function onpick() {
		file = picker?.files?.[0];
		if (picker) picker.value = '';
	}
</script>

<svelte:window {onkeydown} {onclick} {ondrop} {ondragover} ondragleave={() => (dragging = false)} />

<VisitFrame {open} stage="sound">
	{#snippet status()}
		<p>
			<b>{room.title}</b>{#if room.detail}, {room.detail}{/if}
		</p>
	{/snippet}
	<div class="sound" class:dragging>
		<div class="bar">
			<SourceChoice {listening} />
			<label class="every">
				<span class="soft">Survey of</span>
				<select
					class="select"
					value={survey.step}
					onchange={(event) => survey.chooseStep(Number(event.currentTarget.value))}
				>
					{#each SURVEY_STEPS as step (step)}<option value={step}>{STEP_NAMES[step]}</option>{/each}
				</select>
			</label>
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => picker?.click()}
				>Open a recording</button
			>
			<input bind:this={picker} type="file" class="hidden" aria-label="Recording" onchange={onpick} />
		</div>
		<section class="due">
			{#if allDone}
				<p class="verdict">All {counted(survey.notes.length, 'note')} of the survey are read.</p>
				<p class="soft">
					<a class="anchor" href="/visits/{visit.id}/plan">Go to Plan</a>: targets and beats follow these strings now.
					Any note may still be struck again.
				</p>
			{:else}
				<p class="ask">Strike {survey.strings.sounders.length > 1 ? 'with all strings open' : 'one string of'}</p>
				<div class="big"><BigNote note={survey.due} /></div>
				<p class="soft">
					{survey.done.length} of {survey.notes.length} notes read, about {Math.ceil(
						((survey.notes.length - survey.done.length) * 4) / 60
					)} min to go
				</p>
			{/if}
			<div class="last" role="status">
				{#if listening.fault}<p class="notice">{FAULT_WORDS[listening.fault]}</p>
				{:else if survey.problem}<p class="notice">{survey.problem}</p>
				{:else if last && lastWords}
					<p class="of">{noteName(last.note)}{last.strikes > 1 ? `, ${last.strikes} strikes` : ''}</p>
					<p class="found">{flatOrSharp(survey.offset(last.note) ?? 0)} <span class="soft">of the plan</span></p>
					<p>{lastWords.stiffness}</p>
					<p>{lastWords.beat}</p>
					{#if lastWords.again}<p class="again">{lastWords.again}</p>{/if}
				{:else if room.advice}<p class="notice">{room.advice}</p>
				{:else if listening.state === 'off'}<p class="soft">
						Press Listen, mute all but one string of each note, and strike it firmly: one strike a note, let it sound
						for two seconds.
					</p>{/if}
			</div>
			<div class="buttons">
				<div class="strings" role="group" aria-label="Strings left unmuted">
					<button type="button" aria-pressed={!survey.open} onclick={() => survey.do({ do: 'one' })}>One string</button>
					<button type="button" aria-pressed={survey.open} onclick={() => survey.do({ do: 'open' })}>All open</button>
				</div>
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => survey.do({ do: 'previous' })}
					>Back</button
				>
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => survey.do({ do: 'next' })}
					>Next</button
				>
			</div>
			{#if listening.simulated}
				<button type="button" class="btn preset-filled-brand strike" onclick={() => survey.do({ do: 'strike' })}
					>Strike {noteName(survey.due)}</button
				>
			{/if}
		</section>
		<section class="picture">
			<h2>
				<b>How was it found?</b>
				<span class="soft">cents from the plan; bars: open unisons, waves: false beats, open points: once more</span>
			</h2>
			<div class="chart">
				<FoundChart notes={points} {lowest} {highest} wanted={survey.notes} due={survey.due} />
			</div>
			<h2>
				<b>How stiff are its strings?</b>
				<span class="soft">inharmonicity B; shaded: what is used where nothing was read</span>
			</h2>
			<InharmonicityChart data={inharmonicityPicture(instrument, open.measured)} height={170} />
		</section>
		{#if dragging}<div class="drop"><p>Let go: the recording is listened to</p></div>{/if}
	</div>
	{#snippet strip()}
		<Strip {family} {body} notes={summary.notes} current={survey.due} onselect={(note) => survey.goTo(note)}>
			{#snippet hint()}
				<span class="soft hint">Pedal or Enter: next. <Shortcuts keys={SOUND_KEYS} /></span>
			{/snippet}
		</Strip>
	{/snippet}
</VisitFrame>
<RecordingDialog {survey} bind:file />

<style>
	.sound {
		position: relative;
		display: grid;
		grid-template-columns: 25rem minmax(0, 1fr);
		grid-template-rows: auto minmax(0, 1fr);
		height: 100%;
	}
	.bar {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 1.5rem;
		align-items: center;
		padding: 0.75rem 1.5rem;
		border-bottom: 1px solid var(--line);
	}
	.bar > :last-of-type {
		margin-left: auto;
	}
	.every {
		display: flex;
		align-items: center;
		gap: 0.6rem;
	}
	.every span {
		font-size: 0.9rem;
		white-space: nowrap;
	}
	select {
		min-height: 44px;
		background: var(--sheet);
	}
	.due {
		display: flex;
		flex-direction: column;
		padding: 1rem 1.5rem;
		border-right: 1px solid var(--line);
		min-height: 0;
		overflow: auto;
	}
	.ask {
		font-size: 1.1rem;
		color: var(--soft);
	}
	.big {
		padding-top: 0.8rem;
	}
	.verdict {
		font-family: 'Newsreader Variable', serif;
		font-size: 1.7rem;
		line-height: 1.25;
		margin-bottom: 0.5rem;
	}
	.last {
		flex: 1;
		padding: 0.9rem 0;
		line-height: 1.45;
	}
	.of {
		font-weight: 700;
	}
	.found {
		font-size: 1.7rem;
		font-weight: 600;
		line-height: 1.3;
	}
	.found span {
		font-size: 1rem;
		font-weight: 400;
	}
	.again {
		color: var(--sharp);
		font-weight: 600;
	}
	.notice {
		padding: 0.4rem 0.9rem;
	}
	.buttons {
		display: flex;
		gap: 0.5rem;
	}
	.strings {
		display: flex;
		margin-right: auto;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		overflow: hidden;
	}
	.strings button {
		min-height: 42px;
		padding: 0 0.6rem;
		white-space: nowrap;
		cursor: pointer;
	}
	.strings button[aria-pressed='true'] {
		background: var(--felt-wash);
		font-weight: 700;
	}
	.buttons .btn {
		padding-inline: 0.8rem;
	}
	.strike {
		margin-top: 0.6rem;
		min-height: 44px;
	}
	.picture {
		display: flex;
		flex-direction: column;
		padding: 1rem 1.5rem 0.5rem;
		min-width: 0;
		min-height: 0;
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
		margin-bottom: 0.2rem;
	}
	.chart {
		flex: 1;
		min-height: 190px;
	}
	.drop {
		position: absolute;
		inset: 0;
		z-index: 10;
		display: flex;
		align-items: center;
		justify-content: center;
		background: var(--felt-wash);
		border: 3px dashed var(--felt);
		font-size: 1.5rem;
		pointer-events: none;
	}
	@media (max-width: 820px) {
		.sound {
			grid-template-columns: minmax(0, 1fr);
			height: auto;
		}
		.due {
			border-right: 0;
		}
		.chart {
			height: 260px;
			flex: none;
		}
		.hint {
			display: none;
		}
		.bar > :last-of-type {
			margin-left: 0;
		}
	}
</style>
