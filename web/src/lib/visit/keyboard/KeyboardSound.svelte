<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { page } from '$app/state';
	import { breakOf, mutingPlan } from '@fendrel/core';
	import FoundChart from '$lib/charts/FoundChart.svelte';
	import MutingBand from '$lib/charts/MutingBand.svelte';
	import InharmonicityChart from '$lib/charts/InharmonicityChart.svelte';
	import { inharmonicityPicture } from '$lib/tuning/inharmonicityPicture';
	import RoomStatus from '$lib/listening/RoomStatus.svelte';
	import { roomState } from '$lib/listening/room';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { leaveButton } from '$lib/ui/keys';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import { asksForRaise, judge, passesOf, raiseChoiceOf } from '../plan/judgement';
	import { headline } from '../plan/verdictWords';
	import { mutingWords } from '../sound/mutingWords';
	import DueNote from '../sound/DueNote.svelte';
	import RecordingDialog from '../sound/RecordingDialog.svelte';
	import TypedDialog from '../sound/TypedDialog.svelte';
	import StateFigures from '../plan/StateFigures.svelte';
	import SurveyBar from '../sound/SurveyBar.svelte';
	import { SOUND_KEYS, soundKeyAction } from '../sound/soundKeys';
	import { Survey } from '../sound/survey.svelte';

	let { open: given }: { open: KeyboardVisit } = $props();
	// What is done here stands on this plan for as long as the page is open; another plan makes the page anew.
	const { open, visit, instrument, body, survey } = untrack(() => {
		const open = given;
		const { visit, instrument, plan, family, body, record, moved } = open;
		const { twin, stringing } = instrument;
		const { habits } = open.about;
		const breakNote = breakOf(stringing);
		const outOfLine = () => open.outOfLine;
		const odd = [...new Set([...open.outOfLine, ...(open.about.jumped ?? [])])];
		const survey = new Survey({ visit, family, body, breakNote, outOfLine, odd, twin, plan, habits, record, moved });
		return { open, visit, instrument, body, survey };
	});
	let file = $state.raw<File | undefined>();
	let dragging = $state(false);
	let typing = $state(false);
	onMount(() => {
		// Whoever came to mend one note reads that one and those beside it.
		if (page.url.searchParams.get('of') === 'around') survey.choose(() => (survey.choice.of = 'around'));
		return survey.begin();
	});
	const room = $derived(roomState(survey.listening));
	const muting = mutingPlan(instrument.stringing, instrument.highest);
	const judgement = $derived(judge(open));
	const passes = $derived(
		judgement && asksForRaise(judgement.verdict) ? passesOf(open, judgement, raiseChoiceOf(open)) : []
	);

	function onkeydown(event: KeyboardEvent) {
		const action = soundKeyAction(event);
		if (!action) return;
		event.preventDefault();
		survey.do(action);
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
</script>

<svelte:window {onkeydown} onclick={leaveButton} {ondrop} {ondragover} ondragleave={() => (dragging = false)} />

<VisitFrame {open} stage="sound">
	{#snippet status()}<RoomStatus {room} />{/snippet}
	<div class="sound" class:dragging>
		<SurveyBar {survey} onfile={(chosen) => (file = chosen)} ontype={() => (typing = true)} />
		<div class="side">
			<DueNote {survey} {open} {room} planHref="/visits/{visit.id}/plan" />
			{#if judgement && survey.choice.of !== 'around'}
				<p class="sofar" data-testid="verdict">
					<span class="soft">So far:</span>
					{headline(judgement, passes.length, new Date())} <a class="anchor" href="/visits/{visit.id}/plan">Why?</a>
				</p>
				<StateFigures {open} {judgement} />
			{/if}
		</div>
		<section class="picture" aria-label="What was found">
			<h2>
				<b>How was it found?</b>
				<span class="soft">cents from the plan; bars: open unisons, waves: false beats, open points: once more</span>
			</h2>
			<div class="chart">
				<FoundChart
					notes={survey.points}
					lowest={instrument.lowest}
					highest={instrument.highest}
					wanted={survey.notes}
					due={survey.due}
				/>
			</div>
			<h2><b>Where do the mutes go?</b> <span class="soft">{mutingWords(muting)}</span></h2>
			<MutingBand
				mutes={muting.mutes}
				lowest={instrument.lowest}
				highest={instrument.highest}
				said={mutingWords(muting)}
			/>
			<h2>
				<b>How stiff are its strings?</b>
				<span class="soft">inharmonicity B; shaded: what is used where nothing was read</span>
			</h2>
			<InharmonicityChart data={inharmonicityPicture(instrument, open.measured)} height={130} />
		</section>
		{#if dragging}<div class="drop"><p>Let go, and the recording is listened to</p></div>{/if}
	</div>
	{#snippet strip()}
		<KeyboardStrip
			lowest={body.lowest}
			highest={body.highest}
			notes={open.summary.notes}
			current={survey.due}
			onselect={(note) => survey.goTo(note)}
		>
			{#snippet hint()}
				<span class="soft hint">Pedal or Enter: next. <Shortcuts keys={SOUND_KEYS} /></span>
			{/snippet}
		</KeyboardStrip>
	{/snippet}
</VisitFrame>
<RecordingDialog {survey} bind:file />
<TypedDialog {survey} bind:open={typing} />

<style>
	.sound {
		position: relative;
		display: grid;
		grid-template-columns: 25rem minmax(0, 1fr);
		grid-template-rows: auto minmax(0, 1fr);
		height: 100%;
	}
	.side {
		display: flex;
		flex-direction: column;
		border-right: 1px solid var(--line);
		min-height: 0;
		overflow: auto;
	}
	.side > :global(.due) {
		flex: 1 0 auto;
		height: auto;
	}
	.sofar {
		font-family: var(--serif);
		font-size: 1.2rem;
		line-height: 1.25;
		padding: 0 1.5rem 1rem;
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
		.chart {
			height: 260px;
			flex: none;
		}
		.hint {
			display: none;
		}
	}
</style>
