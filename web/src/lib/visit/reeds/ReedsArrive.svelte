<script lang="ts">
	import { noteName } from '@fendrel/core';
	import ReedStrip from '$lib/charts/ReedStrip.svelte';
	import { inHz } from '$lib/ui/format';
	import ArriveStage from '../arrive/ArriveStage.svelte';
	import type { ReedVisit } from '../reedVisit.svelte';

	let { open }: { open: ReedVisit } = $props();
	const { body, instrument, visit } = $derived(open);
</script>

<ArriveStage {open} record={what}>
	{#snippet strip(hint)}<ReedStrip reeds={open.reeds} {hint} />{/snippet}
</ArriveStage>

{#snippet what()}
	<h2><b>What is it?</b></h2>
	<p>
		{body.layout.name} on {noteName(body.tonic)}, {body.metal} reeds{body.length === 'usual'
			? ''
			: `, ${body.length} ones`}.
		{instrument.usualA4 === visit.a4
			? `It is set at A4 = ${inHz(visit.a4)} Hz.`
			: `It was set at A4 = ${inHz(instrument.usualA4)} Hz before.`}
	</p>
	<p class="soft">
		Brass dust is fine and harms: a mask, a wet wipe, clean hands, no food at the bench. Reeds are sharp; mind the eyes.
	</p>
{/snippet}
