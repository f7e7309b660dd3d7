<script lang="ts">
	import { onMount } from 'svelte';
	import ChordBeats from '$lib/charts/ChordBeats.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import FretStrip from '../frets/FretStrip.svelte';
	import { TOUCHES } from '../fretPlan';
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import A4Choice from '../plan/A4Choice.svelte';
	import PresetField from '../plan/PresetField.svelte';
	import ToleranceChoice from '../plan/ToleranceChoice.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import CapoChoice from './CapoChoice.svelte';
	import ChordBook from './ChordBook.svelte';
	import { shownChords } from './chordPrices';
	import ForLuthier from './ForLuthier.svelte';
	import { offsetsHeadline } from './guitarWords';
	import OffsetTable from './OffsetTable.svelte';

	let { open }: { open: GuitarVisit } = $props();
	const { visit, offsets } = $derived(open);
	onMount(() => open.record.enter('plan'));
	const STEPS = [0.5, 1, 2];
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<VisitFrame {open} stage="plan">
	<TwoColumns>
		{#snippet column()}
			<p class="headline" data-testid="verdict">{offsetsHeadline(open)}</p>
			{#if !open.isMeasured}
				<p class="notice">No string has been measured yet: these offsets rest on what strings usually do.</p>
			{/if}
			<fieldset>
				<legend>How it is played</legend>
				<Segments
					label="How hard it is played"
					choices={TOUCHES}
					chosen={offsets.touch}
					onchoose={(touch) => open.plan({ touch })}
				/>
			</fieldset>
			<CapoChoice {open} />
			<A4Choice {open} />
			<ToleranceChoice {open} hint="cents, for open strings" />
			<PresetField
				legend="Steps"
				hint="cents, in which offsets are told"
				values={STEPS}
				chosen={offsets.step}
				onchoose={(step) => open.plan({ step })}
			/>
			<ChordBook {open} />
			<p><a class="btn preset-filled-brand" href="/visits/{visit.id}/set">Set</a></p>
		{/snippet}
		{#snippet pictures()}
			<h2>
				<b>Which offset for each string?</b>
				<span>cents from equal temperament, softly plucked, without the capo; press a name to use it</span>
			</h2>
			<OffsetTable {open} />
			<h2>
				<b>What does each chord cost?</b>
				<span>beats; dashed: as it stands, filled: with these offsets; and what beats most in it</span>
			</h2>
			<ChordBeats chords={shownChords(open)} label="How each chord beats" />
			<ForLuthier {open} />
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<FretStrip {open}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</FretStrip>
	{/snippet}
</VisitFrame>

<style>
	.headline {
		font-family: var(--serif);
		font-size: 1.4rem;
		line-height: 1.2;
	}
	legend {
		font-weight: 600;
		margin-bottom: 0.2rem;
	}
</style>
