<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import type { Reading } from '@fendrel/core';
	import Maximize from '@lucide/svelte/icons/maximize';
	import ChordBeats from '$lib/charts/ChordBeats.svelte';
	import { leaveButton, typedInto } from '$lib/ui/keys';
	import Segments from '$lib/ui/Segments.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { BROKEN_WORDS } from '../frets/brokenString';
	import DueString from '../frets/DueString.svelte';
	import FretStrip from '../frets/FretStrip.svelte';
	import { TOUCHES } from '../fretPlan';
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import ListeningStatus from '../ListeningStatus.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import { chordsNow } from './chordPrices';
	import CapoChoice from './CapoChoice.svelte';
	import FullScreen from './FullScreen.svelte';
	import { GuitarBench } from './guitarBench.svelte';
	import { playedWords } from './guitarWords';
	import LiveStrings from './LiveStrings.svelte';
	import { fixed } from '$lib/ui/format';

	let { open }: { open: GuitarVisit } = $props();
	const { visit, offsets, now } = $derived(open);
	/** The last reading of the due string: what is taken rests on it. */
	let last = $state<{ readonly due: number; readonly reading: string } | undefined>();
	let isFull = $state(false);
	const bench: GuitarBench = untrack(
		() =>
			new GuitarBench(open, 'played', (reading: Reading, due) => {
				last = { due, reading: reading.id };
				if (due !== bench.due || Math.abs(reading.deviation) > open.visit.tolerance) return;
				bench.accept(reading.id);
				const { name, noteName } = open.string(due)!;
				goOn();
				bench.notice = { text: `${name}, ${noteName}: set.` };
			})
	);
	onMount(() => {
		open.record.enter('set');
		return bench.begin();
	});
	/** From the lowest string up: it pulls the others most. */
	function goOn() {
		const next = [...open.strings].reverse().find(({ isSet, isBroken }) => !isSet && !isBroken);
		if (next) bench.goTo(next.group);
	}
	function leave() {
		bench.accept(last?.due === bench.due ? last.reading : null);
		goOn();
	}
	const done = $derived(open.strings.filter(({ isSet }) => isSet).length);
	const says = $derived.by(() => {
		if (bench.sounds) return 'It sounds; it is read by and by.';
		if (bench.listening.state !== 'on') return 'Press Listen.';
		if (open.string(bench.due)?.isBroken) return BROKEN_WORDS;
		const off = bench.string?.off;
		if (off === undefined) return 'Pluck it as it is played.';
		if (Math.abs(off) <= visit.tolerance) return 'It stands.';
		const much = fixed(Math.abs(off), 1);
		return off < 0 ? `Raise ${much} cents.` : `Lower ${much} cents: go below, and come up again.`;
	});
	const KEYS = [
		{ keys: '1', does: 'pluck it as it is played (simulated strings)' },
		{ keys: '↑ ↓', does: 'turn the peg by a cent, with Shift by ten (simulated strings)' },
		{ keys: 'F', does: 'fill the screen, or no longer' },
		{ keys: 'L', does: 'take it as it stands' },
		{ keys: 'PageDown, PageUp', does: 'the next string, the one before (pedal)' },
		{ keys: '?', does: 'show or hide this list' }
	];
	function onkeydown(event: KeyboardEvent) {
		if (typedInto(event) || event.ctrlKey) return;
		const key = event.key.toLowerCase();
		if (key === 'pagedown') bench.goOn();
		else if (key === 'pageup') bench.goOn(-1);
		else if (key === 'f') isFull = !isFull;
		else if (key === 'l') leave();
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} onclick={leaveButton} />

<VisitFrame {open} stage="set" onundone={(group) => group && bench.goTo(group)}>
	{#snippet status()}<ListeningStatus listening={bench.listening} to="strings" />{/snippet}
	<TwoColumns>
		{#snippet column()}
			<DueString {bench} {says} within={visit.tolerance} />
			<div class="buttons">
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={leave}>Take it as it stands</button>
				<button type="button" class="choice" onclick={() => bench.broke()}>It broke</button>
				<button type="button" class="btn preset-filled-brand" onclick={() => (isFull = true)}
					><Maximize size={16} /> Fill the screen</button
				>
			</div>
			<CapoChoice {open} />
			<div>
				<p class="soft">How hard you pluck</p>
				<Segments
					label="How hard it is plucked"
					choices={TOUCHES}
					chosen={offsets.touch}
					onchoose={(touch) => open.plan({ touch })}
				/>
			</div>
			<p class="soft">Whichever string you pluck is shown. Come from below: a peg that was let down gives again.</p>
		{/snippet}
		{#snippet pictures()}
			<h2>
				<b>Where does each string stand?</b>
				<span>{open.tunedTo}, {playedWords(open.how)}; shaded: within tolerance</span>
			</h2>
			<LiveStrings {open} {bench} height={250} />
			{#if now}
				<h2><b>How does each chord beat?</b> <span>as the strings stand, and what beats most in it</span></h2>
				<ChordBeats chords={chordsNow(open, now)} label="How each chord beats now" />
			{/if}
			<p class="soft">
				{done} of {open.strings.length} strings set.
				<a class="anchor" href="/visits/{visit.id}/prove">Go on to Prove</a>
			</p>
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<FretStrip {open} current={bench.due} onselect={(group) => bench.goTo(group)}>
			{#snippet hint()}<span class="soft">Pedal: next string. <Shortcuts keys={KEYS} /></span>{/snippet}
		</FretStrip>
	{/snippet}
</VisitFrame>
{#if isFull}<FullScreen {open} {bench} onclose={() => (isFull = false)} />{/if}

<style>
	.buttons {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}
</style>
