<script lang="ts">
	import { onMount, type Snippet } from 'svelte';
	import { partsOf } from '@fendrel/core';
	import Attached from '../arrive/Attached.svelte';
	import type { OpenVisit } from '../openVisit.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import { closeVerdict } from './accountWords';
	import FinishOrFinished from './FinishOrFinished.svelte';
	import LineList from './LineList.svelte';
	import NextDate from './NextDate.svelte';
	import PaperList from './PaperList.svelte';
	import ThreeColumns from './ThreeColumns.svelte';

	interface Props {
		open: OpenVisit;
		/** What it has come to, line by line. */
		lines: readonly (readonly [term: string, text: string])[];
		/** What the picture shows, for who cannot see it. */
		label: string;
		picture: Snippet;
		strip: Snippet;
	}
	let { open, lines, label, picture, strip }: Props = $props();
	const { visit, instrument, record } = $derived(open);
	const attached = $derived([...record.report.arrival.attachments.values()]);
	const parts = $derived(partsOf(instrument.kind));
	onMount(() => record.enter('close'));
</script>

<VisitFrame {open} stage="close" {strip}>
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
			<section class="picture" aria-label={label}>
				{@render picture()}
				<NextDate {open} account={{ moved: 0 }} />
			</section>
		{/snippet}
		{#snippet words()}
			<FinishOrFinished {open} />
			<a class="btn preset-outlined-surface-300-700" href="/visits/{visit.id}/close/card">Card and report, to print</a>
			<PaperList visitId={visit.id} name={instrument.name} papers={['next']} />
		{/snippet}
	</ThreeColumns>
</VisitFrame>

<style>
	.picture {
		display: grid;
		gap: 1rem;
		align-content: start;
	}
</style>
