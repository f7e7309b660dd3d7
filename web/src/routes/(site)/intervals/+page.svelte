<script lang="ts">
	import { coincidences, findTestNotes, hz, intervalName, noteName } from '@fendrel/core';
	import { onDestroy, onMount, untrack } from 'svelte';
	import { page } from '$app/state';
	import Play from '@lucide/svelte/icons/play';
	import { Player } from '$lib/audio/player.svelte';
	import CoincidenceLadder from '$lib/charts/CoincidenceLadder.svelte';
	import BeatPanel from '$lib/intervals/BeatPanel.svelte';
	import Meetings from '$lib/intervals/Meetings.svelte';
	import TestNotes from '$lib/intervals/TestNotes.svelte';
	import { meetingName } from '$lib/intervals/meeting';
	import { parsePair } from '$lib/intervals/pair';
	import TuningBar from '$lib/tuning/TuningBar.svelte';
	import { ask } from '$lib/tuning/address';
	import { choiceName } from '$lib/tuning/choice';
	import { planFor } from '$lib/tuning/plan';
	import { rateWords } from '$lib/ui/beats';
	import { counted } from '$lib/ui/format';

	let { data } = $props();
	const choice = $derived(data.choice);
	const plan = $derived(planFor(choice));
	const USUAL = 'F3 A3';
	let text = $state(untrack(() => page.url.searchParams.get('notes') ?? USUAL));
	const read = $derived(parsePair(text, choice.lowest, choice.highest));
	/** The last pair that could be read stays on show while another is typed. */
	let last = $state({ lower: 53, upper: 57 });
	$effect(() => {
		if ('value' in read) last = read.value;
	});
	const within = ({ lower, upper }: { lower: number; upper: number }) =>
		lower >= choice.lowest && upper <= choice.highest;
	const shown = $derived(
		'value' in read ? read.value : within(last) ? last : { lower: choice.lowest, upper: choice.lowest + 4 }
	);
	const lower = $derived(plan.targetOf(shown.lower)!);
	const upper = $derived(plan.targetOf(shown.upper)!);
	const meetings = $derived(coincidences(lower.string, upper.string, hz(choice.a4)));
	let chosenKey = $state('');
	const chosen = $derived(meetings.find((each) => meetingName(each) === chosenKey) ?? meetings[0]);
	const voices = $derived(plan.targets.map(({ note, string }) => ({ note, string })));
	const tests = $derived(
		chosen
			? findTestNotes(
					{ note: shown.lower, string: lower.string },
					{ note: shown.upper, string: upper.string },
					chosen.lowerPartial,
					chosen.upperPartial,
					voices
				)
			: []
	);
	/** The ladder shows what the eye can tell apart. */
	const HIGHEST_DRAWN = 10;
	const drawn = $derived(
		meetings.filter(
			(each) => each !== chosen && each.lowerPartial <= HIGHEST_DRAWN && each.upperPartial <= HIGHEST_DRAWN
		)
	);
	const basis = $derived(
		plan.notesRead
			? `inharmonicity read on ${counted(plan.notesRead, 'note')} of it`
			: 'typical inharmonicity until strings are read'
	);

	const player = new Player();
	let alive = $state(false);
	onMount(() => {
		alive = true;
	});
	onDestroy(() => player.close());
	function strike() {
		void player.passage('pair', [
			[
				{
					at: 0,
					seconds: 3.5,
					voices: [
						{ note: shown.lower, string: lower.string },
						{ note: shown.upper, string: upper.string }
					]
				}
			]
		]);
	}
	function keepInAddress() {
		if ('problem' in read) return;
		const { lower, upper } = read.value;
		void ask({ notes: `${noteName(lower)} ${noteName(upper)}` });
	}
	function move(by: number) {
		const [low, high] = [shown.lower + by, shown.upper + by];
		if (low < choice.lowest || high > choice.highest) return;
		text = `${noteName(low)} ${noteName(high)}`;
		keepInAddress();
	}
</script>

<svelte:head><title>Intervals | Fendrel</title></svelte:head>

<div class="bar">
	<label class="notes"
		><span>Two notes</span><input
			class="input mono"
			aria-label="Two notes"
			disabled={!alive}
			bind:value={text}
			onchange={keepInAddress}
			aria-invalid={'problem' in read}
			autocomplete="off"
			spellcheck="false"
		/></label
	>
	<button type="button" class="choice" disabled={!alive} onclick={() => move(-1)} aria-label="A semitone down">↓</button
	>
	<button type="button" class="choice" disabled={!alive} onclick={() => move(1)} aria-label="A semitone up">↑</button>
	<TuningBar {choice} />
</div>
{#if 'problem' in read}<p class="problem" role="alert">{read.problem}</p>{/if}

<div class="sheet">
	<section class="ladder">
		<h1>
			{noteName(shown.lower)} with {noteName(shown.upper)}: {intervalName(shown.upper - shown.lower)}
		</h1>
		{#if chosen}
			<p class="figure" data-testid="beat">
				<b>{Math.abs(chosen.rate).toFixed(2)}</b>
				<span>{rateWords(chosen.rate).replace(/^[\d.]+ /, '')}</span>
			</p>
			<p>
				Listen at <b>{noteName(chosen.silentKey)}</b> ({chosen.heardAt.toFixed(0)} Hz): partial {chosen.lowerPartial} of
				{noteName(shown.lower)} meets partial {chosen.upperPartial} of {noteName(shown.upper)}.
				{#if chosen.silentKey <= choice.highest}Hold both keys silently and strike {noteName(chosen.silentKey)} to bring it
					out.{/if}
			</p>
			<CoincidenceLadder
				lowerNote={shown.lower}
				upperNote={shown.upper}
				lower={lower.string}
				upper={upper.string}
				kind={chosen}
				others={drawn}
				tall={330}
				heardAt="{noteName(chosen.silentKey)}, {chosen.heardAt.toFixed(0)} Hz"
			/>
		{:else}
			<p>No partials up to the sixteenth meet within half a semitone, so nothing beats here.</p>
		{/if}
		<button type="button" class="btn preset-outlined-surface-300-700" disabled={!alive} onclick={strike}
			><Play size={16} /> Strike both</button
		>
		{#if player.problem}<p class="problem" role="alert">{player.problem}</p>{/if}
		<p class="soft small">On {choiceName(choice)}, {basis}, in {choice.temperament.name}.</p>
	</section>
	<div class="right">
		{#if chosen}
			<BeatPanel rate={Math.abs(chosen.rate)} pitch={chosen.heardAt} />
			<TestNotes {tests} lower={shown.lower} upper={shown.upper} coincidence={meetingName(chosen)} />
			<Meetings {meetings} {chosen} onchoose={(meeting) => (chosenKey = meetingName(meeting))} />
		{/if}
	</div>
</div>

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}
	.notes {
		display: flex;
		gap: 0.6rem;
		align-items: center;
		font-weight: 600;
	}
	.notes input {
		width: 9rem;
		min-height: 44px;
		font-size: 1.15rem;
		background: var(--sheet);
	}
	.sheet {
		display: grid;
		grid-template-columns: minmax(20rem, 30rem) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
		margin-top: 1rem;
		border-top: 1px solid var(--line);
		padding-top: 1rem;
	}
	.ladder {
		display: grid;
		gap: 0.6rem;
		align-content: start;
		justify-items: start;
	}
	.ladder :global(> div) {
		width: 100%;
	}
	.figure b {
		font-weight: 600;
	}
	p.figure b {
		font-family: var(--mono);
		font-size: 3.4rem;
		line-height: 1;
	}
	p.figure span {
		color: var(--soft);
	}
	.right {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 1.5rem;
		align-content: start;
		min-width: 0;
	}
	.small {
		font-size: 0.9rem;
	}
	@media (max-width: 999px) {
		.sheet {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
