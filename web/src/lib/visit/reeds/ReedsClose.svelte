<script lang="ts">
	import { onMount } from 'svelte';
	import { partsOf } from '@fendrel/core';
	import ReedPlates from '$lib/charts/ReedPlates.svelte';
	import ReedStrip from '$lib/charts/ReedStrip.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import Attached from '../arrive/Attached.svelte';
	import { closeVerdict } from '../close/accountWords';
	import FinishOrFinished from '../close/FinishOrFinished.svelte';
	import LineList from '../close/LineList.svelte';
	import NextDate from '../close/NextDate.svelte';
	import PaperList from '../close/PaperList.svelte';
	import ThreeColumns from '../close/ThreeColumns.svelte';
	import type { ReedVisit } from '../reedVisit.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import { reedAccount } from './reedAccount';

	let { open }: { open: ReedVisit } = $props();
	const { visit, instrument, record, reeds } = $derived(open);
	const lines = $derived(reedAccount(open));
	const attached = $derived([...record.report.arrival.attachments.values()]);
	const parts = $derived(partsOf(instrument.kind));
	onMount(() => record.enter('close'));
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<VisitFrame {open} stage="close">
	<ThreeColumns verdict={closeVerdict(open)}>
		{#snippet account()}
			<LineList {lines} />
			{#each attached as each (each.attachment)}
				<Attached
					visitId={visit.id}
					attachment={each}
					name={parts.find(({ id }) => id === each.part)?.name ?? each.part}
				/>
			{/each}
		{/snippet}
		{#snippet middle()}
			<section class="picture" aria-label="What was filed">
				<p class="soft">Beneath each reed: strokes at its tip and at its root.</p>
				<ReedPlates
					{reeds}
					says="cents from the plan, as they are left"
					height={150}
					under={({ tip, root }) => `${tip}, ${root}`}
				/>
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
		<ReedStrip {reeds}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</ReedStrip>
	{/snippet}
</VisitFrame>

<style>
	.picture {
		display: grid;
		gap: 1rem;
		align-content: start;
	}
</style>
