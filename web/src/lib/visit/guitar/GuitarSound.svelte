<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import DueString from '../frets/DueString.svelte';
	import FretStrip from '../frets/FretStrip.svelte';
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import ListeningStatus from '../ListeningStatus.svelte';
	import StepKeys from '../StepKeys.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import CapoChoice from './CapoChoice.svelte';
	import { GuitarBench } from './guitarBench.svelte';
	import { guitarHeadline } from './guitarWords';
	import StringMeasures from './StringMeasures.svelte';

	let { open }: { open: GuitarVisit } = $props();
	const { visit } = $derived(open);
	const bench: GuitarBench = untrack(
		() =>
			new GuitarBench(open, 'measured', (_, due) => {
				if (due === bench.due) bench.goOn();
			})
	);
	const done = $derived(bench.all.filter((due) => bench.readAt(due)).length);
	function goToUnread() {
		const first = bench.all.find((due) => !bench.readAt(due));
		if (first !== undefined) bench.goTo(first);
	}
	onMount(() => {
		open.record.enter('sound');
		goToUnread();
		return bench.begin();
	});
	const KEYS = [
		{ keys: '1', does: 'pluck it as it is asked for (simulated strings)' },
		{ keys: '↑ ↓', does: 'turn the peg by a cent, with Shift by ten (simulated strings)' },
		{ keys: 'PageDown, PageUp', does: 'the next one, the one before (pedal)' },
		{ keys: '?', does: 'show or hide this list' }
	];
</script>

<StepKeys {bench} />

<VisitFrame {open} stage="sound">
	{#snippet status()}<ListeningStatus listening={bench.listening} to="strings" />{/snippet}
	<TwoColumns>
		{#snippet column()}
			<DueString {bench} says={bench.says} holds={false} />
			<p class="sofar" data-testid="found">
				{guitarHeadline(open)}
				{done} of {bench.all.length} plucks read.
				<a class="anchor" href="/visits/{visit.id}/plan">Go on to Plan</a>
			</p>
			<CapoChoice {open} onchange={goToUnread} />
			<p class="soft">Damp the other strings. Let each ring for two seconds.</p>
		{/snippet}
		{#snippet pictures()}
			<h2><b>What does each string do?</b> <span>by itself, hit hard, stopped, and under the capo</span></h2>
			<StringMeasures {open} />
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<FretStrip {open}>
			{#snippet hint()}<span class="soft">Pedal: next one. <Shortcuts keys={KEYS} /></span>{/snippet}
		</FretStrip>
	{/snippet}
</VisitFrame>

<style>
	.sofar {
		font-family: var(--serif);
		font-size: 1.2rem;
		line-height: 1.25;
	}
</style>
