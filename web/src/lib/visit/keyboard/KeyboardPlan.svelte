<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { stretchWords } from '$lib/tuning/stretchWords';
	import { typedInto } from '$lib/ui/keys';
	import Segments from '$lib/ui/Segments.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import CostPictures from '../plan/CostPictures.svelte';
	import PlanChoices from '../plan/PlanChoices.svelte';
	import TargetPictures from '../plan/TargetPictures.svelte';
	import VerdictColumn from '../plan/VerdictColumn.svelte';
	import { asksForRaise, judge, passesOf, raiseChoiceOf } from '../plan/judgement';

	let { open }: { open: KeyboardVisit } = $props();
	const { visit, instrument, measured, record, plan, body, summary } = $derived(open);
	const judgement = $derived(judge(open));
	/** As it was taken; otherwise as usual, until somebody chooses. */
	let raise = $state.raw(untrack(() => raiseChoiceOf(open)));
	const passes = $derived(judgement && asksForRaise(judgement.verdict) ? passesOf(open, judgement, raise) : []);
	/** The pitch that is looked at; the plan's own until another is pointed at. */
	let pointed = $state<{ readonly plan: number; readonly a4: number } | undefined>();
	const looked = $derived(pointed && pointed.plan === visit.a4 ? pointed.a4 : visit.a4);
	let chosen = $state<'cost' | 'targets' | undefined>();
	const view = $derived(judgement ? (chosen ?? 'cost') : 'targets');
	const VIEWS = [
		{ id: 'cost', label: 'What it costs' },
		{ id: 'targets', label: 'Where notes go' }
	] as const;

	onMount(() => record.enter('plan'));
	const look = (a4: number) => {
		pointed = { plan: visit.a4, a4 };
		chosen = 'cost';
	};
	const keys = [
		{ keys: '1 / 2', does: 'what it costs, where notes go' },
		{ keys: '?', does: 'show or hide this list' }
	];
	function onkeydown(event: KeyboardEvent) {
		if (typedInto(event) || event.ctrlKey) return;
		if (event.key === '1' && judgement) chosen = 'cost';
		if (event.key === '2') chosen = 'targets';
	}
</script>

<svelte:window {onkeydown} />

<VisitFrame {open} stage="plan">
	<TwoColumns>
		{#snippet column()}
			<VerdictColumn {open} {judgement} {passes} {raise} />
			<PlanChoices
				{open}
				stretched={stretchWords(plan, { ...instrument, measured }, visit.a4)}
				moved={judgement?.pins}
			/>
		{/snippet}
		{#snippet pictures()}
			{#if judgement}
				<Segments label="Pictures" choices={VIEWS} chosen={view} onchoose={(id) => (chosen = id)} />
			{/if}
			{#if judgement && view === 'cost'}
				<CostPictures {open} {judgement} {passes} {raise} {looked} onraise={(next) => (raise = next)} onlook={look} />
			{:else}
				<TargetPictures {open} />
			{/if}
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<KeyboardStrip lowest={body.lowest} highest={body.highest} notes={summary.notes}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</KeyboardStrip>
	{/snippet}
</VisitFrame>
