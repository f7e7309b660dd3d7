<script lang="ts">
	import { onMount } from 'svelte';
	import { goto } from '$app/navigation';
	import { centsBetween, gatesOf, hz, partsOf } from '@fendrel/core';
	import SectionRecord from '$lib/charts/SectionRecord.svelte';
	import { leaveButton, typedInto } from '$lib/ui/keys';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { onDay } from '$lib/ui/format';
	import Strip from '$lib/visit/Strip.svelte';
	import TwoColumns from '$lib/visit/TwoColumns.svelte';
	import Chords from '$lib/visit/Chords.svelte';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import { arriveHeadline, dueWords } from '$lib/visit/arrive/arriveWords';
	import BriefForm from '$lib/visit/arrive/BriefForm.svelte';
	import ClimateForm from '$lib/visit/arrive/ClimateForm.svelte';
	import FindingList from '$lib/visit/arrive/FindingList.svelte';
	import GateList from '$lib/visit/arrive/GateList.svelte';
	import { GRADE_KEYS, PART_KEYS } from '$lib/visit/arrive/instrumentPicture';
	import InstrumentPicture from '$lib/visit/arrive/InstrumentPicture.svelte';
	import { briefOf } from '$lib/visit/brief';
	import { judge } from '$lib/visit/plan/judgement';
	import { settingsOf } from '$lib/visit/workshopSettings';
	import PartJudge from '$lib/visit/arrive/PartJudge.svelte';

	let { data } = $props();
	const open = $derived(data.open);
	const { visit, instrument, record, family, body, summary, about } = $derived(open);
	const { arrival } = $derived(record.report);
	const parts = $derived(partsOf(instrument.kind));
	const gates = $derived(gatesOf(parts, arrival));
	const history = $derived(about.history ?? []);
	const last = $derived(history[0]);
	let chosen = $state<string | undefined>();
	const part = $derived(parts.find(({ id }) => id === chosen) ?? parts[0]);
	let judging = $state<PartJudge>();
	const judgement = $derived(judge(open));
	/** Earlier visits, and what has been read today. */
	const visits = $derived.by(() => {
		const before = history.map(({ at, sections, climate }) => ({
			at,
			sections,
			humidity: climate?.humidity ?? undefined
		}));
		if (!judgement) return before;
		const shift = centsBetween(hz(instrument.usualA4), hz(visit.a4));
		const sections = judgement.state.sections.map(({ id, level }) => ({ id, found: level + shift, left: undefined }));
		const today = { at: visit.startedAt.getTime(), sections, humidity: arrival.climate?.humidity ?? undefined };
		return [today, ...before];
	});
	const soundHref = $derived(`/visits/${visit.id}/sound`);

	onMount(() => record.enter('arrive'));
	const keys = [
		{ keys: '1 to 9, 0, -', does: 'a part of the instrument' },
		{ keys: 'A S D F G H', does: 'its grade, in their order' },
		{ keys: 'Enter or PageDown', does: 'go on to Sound' },
		{ keys: '?', does: 'show or hide this list' }
	];
	function onkeydown(event: KeyboardEvent) {
		if (typedInto(event) || event.ctrlKey || event.defaultPrevented) return;
		const number = PART_KEYS.indexOf(event.key);
		const grade = GRADE_KEYS.indexOf(event.key.toLowerCase());
		if (number >= 0 && parts[number]) chosen = parts[number].id;
		else if (grade >= 0 && part.grades[grade]) judging?.give(part.grades[grade].id);
		else if (event.key === 'Enter' || event.key === 'PageDown') void goto(soundHref);
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} onclick={leaveButton} />

<VisitFrame {open} stage="arrive">
	<TwoColumns>
		{#snippet column()}
			<p class="headline" data-testid="arrival">{arriveHeadline(last, gates, arrival, new Date())}</p>
			{#if last}
				<p class="soft">
					Last visit {onDay(new Date(last.at))}{last.who ? `, ${last.who}` : ''}{last.note ? `: ${last.note}` : '.'}
					{dueWords(last, briefOf(open), settingsOf(open), visit.startedAt)}
				</p>
			{/if}
			{#if gates.length}<GateList {open} {gates} />{/if}
			<div class="go"><a class="btn preset-filled-brand" href={soundHref}>Go on to Sound</a></div>
			<BriefForm {open} />
			<ClimateForm {open} before={last?.climate} season={judgement?.season} />
			<FindingList {open} />
			<Chords {open} moment="arrival" />
		{/snippet}
		{#snippet pictures()}
			{#if history.length}
				<h2><b>How did it keep its pitch?</b> <span>cents by section; below: humidity</span></h2>
				<SectionRecord {visits} now={visit.startedAt.getTime()} height={118} />
			{/if}
			<h2><b>What did you find?</b> <span>choose a part, then its grade; dashed: not looked at</span></h2>
			<InstrumentPicture
				kind={instrument.kind}
				{parts}
				judged={arrival.parts}
				chosen={part.id}
				onchoose={(id) => (chosen = id)}
			/>
			{#key part.id}<PartJudge bind:this={judging} {open} {part} />{/key}
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<Strip {family} {body} notes={summary.notes}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</Strip>
	{/snippet}
</VisitFrame>

<style>
	.headline {
		font-family: var(--serif);
		font-size: 1.9rem;
		line-height: 1.15;
	}
</style>
