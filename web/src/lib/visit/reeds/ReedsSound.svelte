<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import type { Reading } from '@fendrel/core';
	import ReedPlates from '$lib/charts/ReedPlates.svelte';
	import ReedStrip from '$lib/charts/ReedStrip.svelte';
	import { counted, signed } from '$lib/ui/format';
	import Segments from '$lib/ui/Segments.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import type { ReedVisit } from '../reedVisit.svelte';
	import StepKeys from '../StepKeys.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import BreathButtons from '$lib/tones/BreathButtons.svelte';
	import { WAYS_TO_BLOW } from '$lib/tones/breaths';
	import DueReed from './DueReed.svelte';
	import ListeningStatus from '../ListeningStatus.svelte';
	import BreathTable from './BreathTable.svelte';
	import { ReedBench } from './reedBench.svelte';
	import { foundHeadline } from './reedWords';

	let { open }: { open: ReedVisit } = $props();
	const { visit, reeds } = $derived(open);
	const HOW = [
		{ id: 'swell', label: 'One swell each' },
		{ id: 'two', label: 'Soft, then as one plays' },
		{ id: 'one', label: 'One breath' }
	] as const;
	let how = $state<(typeof HOW)[number]['id']>('swell');
	/** Breaths of one reed are two when they are so many decibels apart. */
	const APART = 6;

	const order = () => open.reeds.map(({ group }) => group);
	/** Reeds follow one another plate by plate, as soon as enough is known of one. */
	function isEnough(reading: Reading, group: number): boolean {
		if (how === 'one') return true;
		if (how === 'swell') return reading.lasting!.slope !== null;
		return open.reed(group)?.standing?.isSlopeRead ?? false;
	}
	const bench = untrack(
		() =>
			new ReedBench(open, order, (reading, group) => {
				if (group !== bench.due) return;
				if (isEnough(reading, group)) bench.goOn();
				else
					bench.notice = {
						text:
							how === 'swell'
								? 'Read, but not how it follows the breath: once more, from soft to loud in three seconds, with the microphone nearer if the room rings.'
								: `Read. Now as one plays, at least ${APART} decibels louder.`
					};
			})
	);
	onMount(() => {
		open.record.enter('sound');
		const unread = open.reeds.find(({ standing }) => !standing);
		if (unread) bench.goTo(unread.group);
		return bench.begin();
	});
	const due = $derived(bench.reed);
	const read = $derived(reeds.filter(({ standing }) => standing).length);
	const says = $derived.by(() => {
		if (bench.sounds) return 'It sounds. Hold it; it is read when it ends.';
		if (bench.listening.state !== 'on') return 'Press Listen.';
		if (how === 'swell') return 'Sound it: soft, louder, loud, in three seconds or more.';
		return due?.standing && how === 'two' ? 'Sound it as one plays.' : 'Sound it softly, for a second or two.';
	});
	const KEYS = [
		{ keys: '1 2 3 4', does: 'blow softly, as one plays, hard, a swell (simulated reeds)' },
		{ keys: 'PageDown, PageUp', does: 'the next reed, the one before (pedal)' },
		{ keys: '?', does: 'show or hide this list' }
	];
</script>

<StepKeys {bench} />

<VisitFrame {open} stage="sound">
	{#snippet status()}<ListeningStatus listening={bench.listening} to="tones that last" />{/snippet}
	<TwoColumns>
		{#snippet column()}
			<DueReed {open} {bench} {says} />
			{#if bench.listening.simulated}<BreathButtons ways={WAYS_TO_BLOW} onblow={(way) => bench.blow(way)} />{/if}
			<p class="sofar" data-testid="found">
				{foundHeadline(reeds)}
				<a class="anchor" href="/visits/{visit.id}/plan">Go on to Plan</a>
			</p>
			<div>
				<p class="soft">How each is read</p>
				<Segments label="How each reed is read" choices={HOW} chosen={how} onchoose={(id) => (how = id)} />
			</div>
		{/snippet}
		{#snippet pictures()}
			<ReedPlates {reeds} due={bench.due} says="cents from the plan" onchoose={(group) => bench.goTo(group)} />
			<h2><b>How does each follow the breath?</b> <span>cents a decibel; beneath: how it wobbles</span></h2>
			<BreathTable {reeds} />
			<p class="soft">
				{counted(read, 'reed')} of {reeds.length} read. Gentle breath here: {signed(open.levels.gentle, 0)} dB; playing breath:
				{signed(open.levels.playing, 0)} dB.
			</p>
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<ReedStrip {reeds} current={bench.due} onselect={(group) => bench.goTo(group)}>
			{#snippet hint()}<span class="soft">Pedal: next reed. <Shortcuts keys={KEYS} /></span>{/snippet}
		</ReedStrip>
	{/snippet}
</VisitFrame>

<style>
	.sofar {
		font-family: var(--serif);
		font-size: 1.2rem;
		line-height: 1.25;
	}
</style>
