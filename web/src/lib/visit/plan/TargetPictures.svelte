<script lang="ts">
	import { fifthTexts } from '@fendrel/core';
	import Staircase from '$lib/charts/Staircase.svelte';
	import { counted } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import TargetTable from './TargetTable.svelte';

	interface Props {
		open: KeyboardVisit;
	}
	let { open }: Props = $props();
	const { visit, temperament, plan } = $derived(open);
	const thirds = $derived(
		plan.targets
			.filter(({ note, majorThird }) => note >= 53 && note <= 65 && majorThird !== undefined)
			.map(({ note, majorThird }) => ({ note, rate: majorThird! }))
	);
	const basis = $derived(
		plan.notesRead
			? `Beats follow the inharmonicity read on this instrument (${counted(plan.notesRead, 'note')}).`
			: `Beats follow the typical inharmonicity of such an instrument until strings are read.`
	);
</script>

<h2><b>How fast do the thirds beat?</b> <span>major thirds by their lower note, beats per second</span></h2>
<Staircase treads={thirds} interval="major thirds" />
<h2>
	<b>Where does every note go?</b>
	<span>fifths: {[...new Set(fifthTexts(temperament))].join(', ')} (P, S: Pythagorean, syntonic comma)</span>
</h2>
<TargetTable targets={plan.targets} />
<p class="soft small">
	{basis} + wide, − narrow; empty where no ear follows the beat.
	{#if !plan.notesRead}<a class="anchor" href="/visits/{visit.id}/sound">Read them in Sound</a>{/if}
</p>

<style>
	h2:not(:first-child) {
		margin-top: 0.75rem;
		margin-bottom: 0.25rem;
	}
	.small {
		font-size: 0.85rem;
		padding-top: 0.5rem;
	}
</style>
