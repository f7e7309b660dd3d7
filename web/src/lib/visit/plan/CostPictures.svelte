<script lang="ts">
	import type { PlannedPass } from '@fendrel/core';
	import PinGrid from '$lib/charts/PinGrid.svelte';
	import type { RaiseChoice } from '$lib/settings/settings';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { asksForRaise, type Judgement } from './judgement';
	import PitchCost from './PitchCost.svelte';
	import RaisePictures from './RaisePictures.svelte';
	import SpotTable from './SpotTable.svelte';

	interface Props {
		open: KeyboardVisit;
		judgement: Judgement;
		passes: readonly PlannedPass[];
		raise: RaiseChoice;
		/** The pitch that is looked at. */
		looked: number;
		onraise: (raise: RaiseChoice) => void;
		onlook: (a4: number) => void;
	}
	let { open, judgement, passes, raise, looked, onraise, onlook }: Props = $props();
	const { instrument } = $derived(open);
	const { near, pins } = $derived(judgement);
</script>

<div class="pictures">
	<PitchCost {open} {judgement} {looked} {onlook} />
	{#if asksForRaise(judgement.verdict)}
		<RaisePictures {open} {judgement} {passes} {raise} {onraise} />
	{:else}
		<section aria-label="Pins">
			<h2>
				<b>Which strings move?</b>
				<span
					>{pins.moved} of {pins.all}; filled: to be moved. Within {near.tolerance} cents and {near.unison} beats a second
					they stay</span
				>
			</h2>
			<PinGrid columns={pins.notes} lowest={instrument.lowest} highest={instrument.highest} />
			{#if judgement.touched.length}
				<h2 class="next">
					<b>Where do they go?</b> <span>to their neighbours’ level, where the rest is left off pitch</span>
				</h2>
				<SpotTable {judgement} />
			{/if}
		</section>
	{/if}
</div>

<style>
	.pictures {
		display: grid;
		gap: 0.75rem;
		align-content: start;
	}
	.next {
		margin-top: 0.75rem;
	}
</style>
