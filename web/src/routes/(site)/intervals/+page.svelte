<script lang="ts">
	import { coincidences, findTestNotes, hz, noteName, type AskedKeys } from '@fendrel/core';
	import { onDestroy, onMount, untrack } from 'svelte';
	import { page } from '$app/state';
	import Play from '@lucide/svelte/icons/play';
	import { Player } from '$lib/audio/player.svelte';
	import BeatPanel from '$lib/intervals/BeatPanel.svelte';
	import PairBar from '$lib/intervals/PairBar.svelte';
	import PairMeeting from '$lib/intervals/PairMeeting.svelte';
	import Meetings from '$lib/intervals/Meetings.svelte';
	import TestNotes from '$lib/intervals/TestNotes.svelte';
	import HeardHere from '$lib/intervals/HeardHere.svelte';
	import { meetingName } from '$lib/intervals/meeting';
	import { parsePair } from '$lib/intervals/pair';
	import { testPair } from '$lib/intervals/testPairs';
	import ListenBar from '$lib/pairs/ListenBar.svelte';
	import { PairListening, type HeardKeys } from '$lib/pairs/pairListening.svelte';
	import { ask } from '$lib/ui/address';
	import { choiceName } from '$lib/tuning/choice';
	import { planFor } from '$lib/tuning/plan';
	import { counted } from '$lib/ui/format';

	let { data } = $props();
	const choice = $derived(data.choice);
	const plan = $derived(planFor(choice));
	const USUAL = 'F3 A3';
	const TESTS_SHOWN = 4;
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
				).slice(0, TESTS_SHOWN)
			: []
	);
	const basis = $derived(
		plan.notesRead
			? `inharmonicity read on ${counted(plan.notesRead, 'note')} of it`
			: 'typical inharmonicity until strings are read'
	);

	/** What is on show, then the pairs that test it. */
	const asked: readonly AskedKeys[] = $derived(
		chosen
			? [
					{ ...shown, meetings: [[chosen.lowerPartial, chosen.upperPartial]] },
					...tests.flatMap((test) => [
						testPair(test, shown.lower, chosen.lowerPartial),
						testPair(test, shown.upper, chosen.upperPartial)
					])
				]
			: [{ ...shown, meetings: [] }]
	);
	/** Whoever plays another interval than the one on show wants to see that. */
	function onHeard({ keys, isAsked }: HeardKeys) {
		if (isAsked) return;
		text = `${noteName(keys.lower)} ${noteName(keys.upper)}`;
		void ask({ notes: text });
	}
	const pairs = untrack(() => new PairListening(data.listened, { plan, a4: choice.a4, asked }, { onHeard }));
	$effect(() => pairs.follow(data.listened, { plan, a4: choice.a4, asked }));

	const player = new Player((playing) => pairs.listening.ignoreWhile(playing));
	onMount(() => {
		return pairs.open();
	});
	onDestroy(() => player.close());
	/** The two notes as they should sound. */
	function playAsked() {
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
</script>

<svelte:head><title>Intervals | Fendrel</title></svelte:head>

<PairBar {choice} bind:text {shown} problem={'problem' in read ? read.problem : undefined} />

<div class="ear">
	<ListenBar {pairs}>
		{#if pairs.listening.simulated}
			<button type="button" class="btn preset-filled-brand" onclick={() => pairs.strike([shown.lower, shown.upper])}
				>Strike {noteName(shown.lower)} and {noteName(shown.upper)}</button
			>
		{/if}
	</ListenBar>
</div>
{#snippet heard()}{#if chosen}<HeardHere {pairs} {shown} {chosen} />{/if}{/snippet}
<div class="sheet">
	<section>
		<PairMeeting
			{...{ lower, upper, meetings, chosen }}
			highest={choice.highest}
			heard={pairs.listening.state === 'off' ? undefined : heard}
		/>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={playAsked}
			><Play size={16} /> Hear it as asked</button
		>
		{#if player.problem}<p class="problem" role="alert">{player.problem}</p>{/if}
		<p class="soft small">On {choiceName(choice)}, {basis}, in {choice.temperament.name}.</p>
	</section>
	<div class="right">
		{#if chosen}
			<BeatPanel rate={Math.abs(chosen.rate)} pitch={chosen.heardAt} />
			<TestNotes
				{tests}
				lower={shown.lower}
				upper={shown.upper}
				{chosen}
				heard={({ lower, upper, meetings: [[p, q]] }) => pairs.heard(lower, upper, p, q)}
				onstrike={pairs.listening.simulated && ((notes) => pairs.strike(notes))}
			/>
			<Meetings
				{meetings}
				{chosen}
				onchoose={(meeting) => (chosenKey = meetingName(meeting))}
				heard={({ lowerPartial, upperPartial }) => pairs.heard(shown.lower, shown.upper, lowerPartial, upperPartial)}
			/>
		{/if}
	</div>
</div>

<style>
	.ear {
		margin-top: 0.6rem;
	}
	.sheet {
		display: grid;
		grid-template-columns: minmax(20rem, 30rem) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
		margin-top: 1rem;
		border-top: 1px solid var(--line);
		padding-top: 1rem;
	}
	section {
		display: grid;
		gap: 0.6rem;
		align-content: start;
		justify-items: start;
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
