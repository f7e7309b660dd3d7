<script lang="ts">
	import { isTied, noteName } from '@fendrel/core';
	import { inHz, listed } from '$lib/ui/format';
	import ArriveStage from '../arrive/ArriveStage.svelte';
	import type { FretVisit } from '../fretVisit.svelte';
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import FretStrip from './FretStrip.svelte';
	import { lengthWords } from '$lib/ui/measures';

	let { open }: { open: FretVisit | GuitarVisit } = $props();
	const { body, instrument, visit } = $derived(open);
</script>

<ArriveStage {open} record={what}>
	{#snippet strip(hint)}<FretStrip {open} {hint} />{/snippet}
</ArriveStage>

{#snippet what()}
	<h2><b>What is it?</b></h2>
	<p>
		{listed(body.strings.map(({ note }) => noteName(note)))} in {body.stuff}, {lengthWords(body.scale, 0)} from nut to bridge,
		{body.frets}
		frets.
		{instrument.usualA4 === visit.a4
			? `It stands at A4 = ${inHz(visit.a4)} Hz.`
			: `It stood at A4 = ${inHz(instrument.usualA4)} Hz before.`}
	</p>
	<p class="soft">
		{isTied(body)
			? 'Loose frets and pegs that slip come first: neither holds what is set.'
			: 'Worn frets, dead strings and a nut that binds come first: none of them tunes. Ask where the capo sits, and how hard one plays.'}
	</p>
{/snippet}
