<script lang="ts">
	import { onMount, type ComponentProps, type Snippet } from 'svelte';
	import { goto } from '$app/navigation';
	import { gatesOf, partsOf } from '@fendrel/core';
	import { leaveButton, typedInto } from '$lib/ui/keys';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { onDay } from '$lib/ui/format';
	import TwoColumns from '../TwoColumns.svelte';
	import Chords from '../Chords.svelte';
	import type { OpenVisit } from '../openVisit.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import { arriveHeadline, dueWords } from './arriveWords';
	import BriefForm from './BriefForm.svelte';
	import ClimateForm from './ClimateForm.svelte';
	import FindingList from './FindingList.svelte';
	import GateList from './GateList.svelte';
	import { GRADE_KEYS, PART_KEYS } from './instrumentPicture';
	import InstrumentPicture from './InstrumentPicture.svelte';
	import { briefOf } from '../brief';
	import { settingsOf } from '../workshopSettings';
	import PartJudge from './PartJudge.svelte';

	interface Props {
		open: OpenVisit;
		/** What the season explains of how it moved. */
		season?: ComponentProps<typeof ClimateForm>['season'];
		/** How it kept its pitch, where that is known. */
		record?: Snippet;
		/** What lies along the bottom, with what helps beside it. */
		strip: Snippet<[Snippet]>;
	}
	let { open, season, record: kept, strip: ground }: Props = $props();
	const { visit, instrument, record, about } = $derived(open);
	const { arrival } = $derived(record.report);
	const parts = $derived(partsOf(instrument.kind));
	const gates = $derived(gatesOf(parts, arrival));
	const history = $derived(about.history ?? []);
	const last = $derived(history[0]);
	let chosen = $state<string | undefined>();
	const part = $derived(parts.find(({ id }) => id === chosen) ?? parts[0]);
	let judging = $state<PartJudge>();
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

{#snippet help()}<Shortcuts {keys} />{/snippet}
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
			<ClimateForm {open} before={last?.climate} {season} />
			<FindingList {open} />
			<Chords {open} moment="arrival" />
		{/snippet}
		{#snippet pictures()}
			{@render kept?.()}
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
	{#snippet strip()}{@render ground(help)}{/snippet}
</VisitFrame>

<style>
	.headline {
		font-family: var(--serif);
		font-size: 1.9rem;
		line-height: 1.15;
	}
</style>
