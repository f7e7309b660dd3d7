<script lang="ts">
	import { format } from 'date-fns';
	import Printer from '@lucide/svelte/icons/printer';
	import { priorityById, type Examined } from '@fendrel/core';
	import { outOf100 } from '$lib/settings/examinedNames';
	import ExaminedSections from '$lib/settings/ExaminedSections.svelte';
	import { counted, inHz, inSentence } from '$lib/ui/format';
	import { curveAsked, examinationOf } from '$lib/visit/prove/examination';

	/** A4 is one of the middle's notes too. */
	const NOTE_SECTIONS: readonly Examined[] = ['temperament', 'bass', 'middle', 'treble', 'top'];
	let { data } = $props();
	const open = $derived(data.open);
	const result = $derived(examinationOf(open));
	const asked = $derived(curveAsked(open));
	const all = $derived(open.family.groups(open.body).length);
	const read = $derived(
		result.sections
			.filter(({ section }) => NOTE_SECTIONS.includes(section))
			.reduce((sum, section) => sum + section.read, 0)
	);
</script>

<svelte:head><title>Examination: {open.instrument.name} | Fendrel</title></svelte:head>

<main>
	<header>
		<p class="soft back"><a class="anchor" href="/visits/{open.visit.id}/prove">Back to Prove</a></p>
		<h1>Examination: {open.instrument.name}</h1>
		<p>
			{format(open.visit.startedAt, 'd MMMM yyyy')}{open.who ? `, set by ${open.who}` : ''}; {inSentence(
				open.temperament.name
			)}, A4 = {inHz(open.visit.a4)}
		</p>
		<button type="button" class="btn preset-outlined-surface-300-700 back" onclick={() => print()}
			><Printer size={16} /> Print</button
		>
	</header>
	<p class="score"><b data-testid="score">{outOf100(result.score)}</b> of 100</p>
	{#if result.score === undefined}<p>Nothing has been read yet: set notes, or strike them in Prove.</p>
	{:else}<p>By what was read: {read} of {counted(all, open.family.group.one, open.family.group.many)}. {asked}</p>{/if}
	<ExaminedSections {result} nameOf={open.family.groupName} />
	<p class="soft">
		Points are lost by how far a note stands off the plan, which is made for this very instrument{open.curve
			? ` (${priorityById(open.curve.wish.lead).name.toLowerCase()})`
			: ''}. The limits stand in Settings.
	</p>
</main>

<style>
	main {
		max-width: 60rem;
		margin: 0 auto;
		padding: 1.5rem;
		display: grid;
		gap: 1rem;
	}
	header {
		display: grid;
		gap: 0.3rem;
		justify-items: start;
	}
	h1 {
		font-family: var(--serif);
		font-size: 2.2rem;
		line-height: 1.1;
	}
	.score b {
		font-size: 4rem;
		line-height: 1;
		color: var(--felt);
		font-variant-numeric: tabular-nums;
	}
	@media print {
		.back {
			display: none;
		}
	}
</style>
