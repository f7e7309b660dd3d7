<script lang="ts">
	import { onMount } from 'svelte';
	import Moves from '$lib/charts/Moves.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import AccountTable from '../close/AccountTable.svelte';
	import { accountOf } from '../close/account';
	import { closeVerdict } from '../close/accountWords';
	import AdviceList from '../close/AdviceList.svelte';
	import LearnedHere from '../close/LearnedHere.svelte';
	import FinishOrFinished from '../close/FinishOrFinished.svelte';
	import NextDate from '../close/NextDate.svelte';
	import OtherDates from '../close/OtherDates.svelte';
	import PaperList from '../close/PaperList.svelte';
	import ThreeColumns from '../close/ThreeColumns.svelte';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import Chords from '../Chords.svelte';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import VisitFrame from '../VisitFrame.svelte';

	let { open }: { open: KeyboardVisit } = $props();
	const { visit, instrument, record, body, summary } = $derived(open);
	const came = $derived(accountOf(open));
	const records = $derived(
		[...summary.notes.values()].flatMap(({ note, found, left }) => (found === undefined ? [] : [{ note, found, left }]))
	);
	onMount(() => record.enter('close'));
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<VisitFrame {open} stage="close">
	<ThreeColumns verdict={closeVerdict(open)}>
		{#snippet account()}<AccountTable {open} account={came} />{/snippet}
		{#snippet middle()}
			<section class="picture">
				{#if records.length}<Moves {records} lowest={instrument.lowest} highest={instrument.highest} />
				{:else}<p class="soft">Moves are shown here once notes have been read.</p>{/if}
			</section>
			<div class="next">
				<AdviceList {open} account={came} />
				<div class="dates">
					<NextDate {open} account={came} />
					<OtherDates {open} />
					<LearnedHere {open} account={came} />
				</div>
			</div>
		{/snippet}
		{#snippet words()}
			<FinishOrFinished {open} />
			<Chords {open} moment="leaving" isOver={Boolean(visit.finishedAt)} />
			<PaperList visitId={visit.id} name={instrument.name} />
		{/snippet}
	</ThreeColumns>
	{#snippet strip()}
		<KeyboardStrip lowest={body.lowest} highest={body.highest} notes={summary.notes}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</KeyboardStrip>
	{/snippet}
</VisitFrame>

<style>
	.picture {
		height: 19rem;
	}
	.next {
		display: grid;
		grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
		gap: 1.75rem;
		margin-top: 1.25rem;
	}
	.dates {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		align-content: start;
		gap: 1.25rem;
	}
	@media (max-width: 700px) {
		.next {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
