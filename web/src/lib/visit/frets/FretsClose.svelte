<script lang="ts">
	import { onMount } from 'svelte';
	import { partsOf } from '@fendrel/core';
	import FretMap from '$lib/charts/FretMap.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import Attached from '../arrive/Attached.svelte';
	import { closeVerdict } from '../close/accountWords';
	import FinishOrFinished from '../close/FinishOrFinished.svelte';
	import LineList from '../close/LineList.svelte';
	import NextDate from '../close/NextDate.svelte';
	import PaperList from '../close/PaperList.svelte';
	import ThreeColumns from '../close/ThreeColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import type { FretVisit } from '../fretVisit.svelte';
	import { fretAccount } from './fretAccount';
	import FretStrip from './FretStrip.svelte';
	import { shownFrets } from './fretWords';

	let { open }: { open: FretVisit } = $props();
	const { visit, instrument, record, body } = $derived(open);
	const attached = $derived([...record.report.arrival.attachments.values()]);
	const parts = $derived(partsOf(instrument.kind));
	onMount(() => record.enter('close'));
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<VisitFrame {open} stage="close">
	<ThreeColumns verdict={closeVerdict(open)}>
		{#snippet account()}
			<LineList lines={fretAccount(open)} />
			{#each attached as each (each.attachment)}
				<Attached
					visitId={visit.id}
					attachment={each}
					name={parts.find(({ id }) => id === each.part)?.name ?? each.part}
				/>
			{/each}
		{/snippet}
		{#snippet middle()}
			<section class="picture" aria-label="Where the frets lie">
				<p class="soft">Where the frets lie now, and where each string would have them.</p>
				<FretMap neck={body} frets={shownFrets(open)} height={260} />
				<NextDate {open} account={{ moved: 0 }} />
			</section>
		{/snippet}
		{#snippet words()}
			<FinishOrFinished {open} />
			<a class="btn preset-outlined-surface-300-700" href="/visits/{visit.id}/close/card">Card and report, to print</a>
			<PaperList visitId={visit.id} name={instrument.name} papers={['next']} />
		{/snippet}
	</ThreeColumns>
	{#snippet strip()}
		<FretStrip {open}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</FretStrip>
	{/snippet}
</VisitFrame>

<style>
	.picture {
		display: grid;
		gap: 1rem;
		align-content: start;
	}
</style>
