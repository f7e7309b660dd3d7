<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import {
		afterMove,
		fretGroup,
		fretPlaceOf,
		isTied,
		noteName,
		toCheckAgain,
		usualSuspects,
		type FretEnds,
		type Reading
	} from '@fendrel/core';
	import FretMap from '$lib/charts/FretMap.svelte';
	import { counted, listed } from '$lib/ui/format';
	import { leaveButton, typedInto } from '$lib/ui/keys';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import ListeningStatus from '../ListeningStatus.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import type { FretVisit } from '../fretVisit.svelte';
	import DueString from './DueString.svelte';
	import { FretBench } from './fretBench.svelte';
	import FretPanel from './FretPanel.svelte';
	import FretStrip from './FretStrip.svelte';
	import { isMoved, shownFrets, soundingWords, stringWords } from './fretWords';
	import LeftTable from './LeftTable.svelte';

	let { open }: { open: FretVisit } = $props();
	const { visit, body, map } = $derived(open);
	const order = () => open.family.order(open.body, open.frets.order).map(({ note }) => note);
	/** The last reading of the due string: what is taken rests on it. */
	let last = $state<{ readonly group: number; readonly reading: string } | undefined>();
	/** Strings to sound again since a fret was moved. */
	let asked = $state.raw<{ readonly fret: number; readonly strings: readonly number[] } | undefined>();

	const bench = untrack(
		() =>
			new FretBench(open, order, (reading: Reading, group) => {
				last = { group, reading: reading.id };
				if (group !== bench.due) return;
				if (fretPlaceOf(group).fret > 0) return goOnAtFret();
				if (Math.abs(reading.deviation) > open.visit.tolerance) return;
				bench.accept(reading.id);
				const { name, noteName: note } = open.string(group)!;
				bench.goOn();
				bench.notice = { text: `${name}, ${note}: set.` };
			})
	);
	onMount(() => {
		const goesOn = open.record.report.stage === 'set';
		open.record.enter('set');
		const first = order().find((group) => fretPlaceOf(group).fret === 0 && !open.string(group)?.isSet);
		if (!goesOn) bench.goTo(first ?? fretGroup(1, usualSuspects(open.body)[0]));
		return bench.begin();
	});
	$effect(() => {
		if (bench.listening.state !== 'on') bench.drones = bench.isLearning = false;
	});
	const due = $derived(bench.string);
	const dueFret = $derived(fretPlaceOf(bench.due).fret);
	const advice = $derived(map.find(({ fret }) => fret === dueFret));
	/** Strings at the due fret that are still to be sounded. */
	const queue = $derived.by(() => {
		if (!advice) return [];
		const { wishes, fret } = advice;
		const waits = wishes.filter(({ string, weight }) => weight > 0 && !open.string(fretGroup(string, fret))?.isRead);
		return (asked?.fret === fret ? waits.filter(({ string }) => asked!.strings.includes(string)) : waits).map(
			({ string }) => string
		);
	});
	const done = $derived(open.open.filter(({ isSet }) => isSet).length);
	const opens = $derived(order().filter((group) => fretPlaceOf(group).fret === 0));
	const isLowest = $derived(due !== undefined && due.fret === 0 && due.string === body.strings.length);

	function goOnAtFret() {
		const next = queue.find((string) => fretGroup(string, dueFret) !== bench.due) ?? queue[0];
		if (next !== undefined) bench.goTo(fretGroup(next, dueFret));
	}
	/** The fret after this one, where trouble is looked for next. */
	function nextFret(by: 1 | -1 = 1) {
		const frets = usualSuspects(body);
		const next = frets[frets.indexOf(dueFret) + by];
		if (next !== undefined) goToFret(next);
	}
	function goToFret(fret: number) {
		const waits = body.strings.findIndex((_, i) => !open.string(fretGroup(i + 1, fret))?.isRead);
		bench.goTo(fretGroup(Math.max(0, waits) + 1, fret));
	}
	function move(ends: FretEnds) {
		const after = afterMove(body, open.standing, dueFret, ends);
		const strings = toCheckAgain(open.standing, after, dueFret);
		const fret = dueFret;
		bench.moveFret(fret, ends);
		asked = { fret, strings };
		if (strings.length) bench.goTo(fretGroup(strings[0], fret));
	}
	const leave = () => {
		if (dueFret > 0) return nextFret();
		bench.accept(last?.group === bench.due ? last.reading : null);
		bench.goOn();
	};
	const says = $derived.by(() => {
		if (bench.isLearning) return 'A moment: listening to the drone alone.';
		if (bench.sounds) return 'It sounds; it is read when it ends.';
		if (!due) return '';
		if (due.fret === 0) return stringWords(due, visit.tolerance, body);
		return queue.length ? `Sound ${due.gives}.` : 'Read.';
	});
	const KEYS = $derived([
		{ keys: 'PageDown', does: 'strings: the next one; frets: moved as advised (pedal)' },
		{ keys: '1 2', does: `${soundingWords(body).keys} (simulated strings)` },
		{ keys: '↑ ↓', does: 'turn the peg by a cent, with Shift by ten (simulated strings)' },
		{ keys: 'D', does: 'hold the target as a drone, or stop it' },
		{ keys: 'L', does: 'leave it as it stands' },
		{ keys: 'N, P', does: 'the next one, the one before' },
		{ keys: '?', does: 'show or hide this list' }
	]);
	function onkeydown(event: KeyboardEvent) {
		if (typedInto(event) || event.ctrlKey) return;
		const key = event.key.toLowerCase();
		const step = (by: 1 | -1) => (dueFret > 0 ? nextFret(by) : bench.goOn(by));
		if (key === 'pagedown') {
			if (advice && queue.length === 0 && isMoved(advice.line.move)) move(advice.line.move);
			else step(1);
		} else if (key === 'd') bench.toggleDrone();
		else if (key === 'l') leave();
		else if (key === 'n') step(1);
		else if (key === 'p') step(-1);
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} onclick={leaveButton} />

<VisitFrame {open} stage="set" onundone={(group) => group && bench.goTo(group)}>
	{#snippet status()}<ListeningStatus listening={bench.listening} to="strings" />{/snippet}
	<TwoColumns>
		{#snippet column()}
			{#if advice}
				<FretPanel
					{open}
					{bench}
					{advice}
					{queue}
					{says}
					isMovedNow={asked?.fret === dueFret}
					onmove={move}
					onleave={leave}
				/>
			{:else}
				<DueString {bench} {says} within={visit.tolerance} />
				<div class="buttons">
					<button type="button" class="btn preset-outlined-surface-300-700" onclick={leave}>Take it as it stands</button
					>
					<button type="button" class="choice" onclick={() => bench.broke()}>It broke</button>
				</div>
				<p class="soft">
					Unsure whether it is high or low? Go well off, and come back. Press the peg in while you turn, the pegbox held
					on the other side.
				</p>
				{#if isLowest}
					<p class="soft">The lowest string pulls hardest: after it the others are sounded once more.</p>
				{/if}
				{#if open.pulled.size}
					<p class="notice">
						A string went far since
						{listed([...open.pulled].map((group) => noteName(body.strings[group - 1].note)))} stood. Sound {open.pulled
							.size === 1
							? 'it'
							: 'them'} again.
					</p>
				{/if}
			{/if}
		{/snippet}
		{#snippet pictures()}
			<h2>
				<b>Where does each fret go?</b>
				<span
					>dashed: where it lies; line: where it goes; dots: where each string wants it, hollow: told by the others</span
				>
			</h2>
			<FretMap
				neck={body}
				frets={shownFrets(open)}
				due={dueFret || undefined}
				onchoose={isTied(body) ? goToFret : undefined}
			/>
			{#if map.length}
				<h2><b>What stays wrong?</b> <span>cents, after the moves, by string and fret</span></h2>
				<LeftTable {open} as="then" />
			{/if}
			<p class="soft">
				{counted(done, 'string')} of {opens.length} set, {counted(open.record.report.fretMoved.length, 'fret move')}.
				<a class="anchor" href="/visits/{visit.id}/prove">Go on to Prove</a>
			</p>
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<FretStrip {open} current={bench.due} onselect={(group) => bench.goTo(group)}>
			{#snippet hint()}<span class="soft">Pedal: moved, or next. <Shortcuts keys={KEYS} /></span>{/snippet}
		</FretStrip>
	{/snippet}
</VisitFrame>

<style>
	.buttons {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}
</style>
