<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { fretGroup, fretPlaceOf, isTied, usualSuspects } from '@fendrel/core';
	import FretMap from '$lib/charts/FretMap.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import ListeningStatus from '../ListeningStatus.svelte';
	import StepKeys from '../StepKeys.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import type { FretVisit } from '../fretVisit.svelte';
	import DueString from './DueString.svelte';
	import { FretBench } from './fretBench.svelte';
	import FretStrip from './FretStrip.svelte';
	import { foundHeadline, shownFrets, soundingWords } from './fretWords';
	import LeftTable from './LeftTable.svelte';

	let { open }: { open: FretVisit } = $props();
	const { visit, body } = $derived(open);
	const words = $derived(soundingWords(body));
	const SCOPES = [
		{ id: 'suspects', label: 'Usual suspects' },
		{ id: 'outer', label: 'Outer strings' },
		{ id: 'all', label: 'Every fret' }
	] as const;
	type Scope = (typeof SCOPES)[number]['id'];
	let scope = $state<Scope>('suspects');
	/** The first fret, the fourth, those that repeat the next open string: mostly three. */
	const SUSPECTS = 3;

	/** String by string, each open and then up its frets. */
	function order(): readonly number[] {
		const neck = open.body;
		const suspects = usualSuspects(neck).slice(0, SUSPECTS);
		const count = neck.strings.length;
		return neck.strings.flatMap(({ course }, i) => {
			const string = i + 1;
			const isOuter = string === 1 || string === count;
			const frets = Array.from({ length: isTied(neck) ? neck.frets : 0 }, (_, k) => k + 1).filter(
				(fret) => scope === 'all' || (scope === 'outer' ? isOuter : suspects.includes(fret))
			);
			const open = course === 'single' ? [string] : [string, fretGroup(string, 0, true)];
			return [...open, ...frets.map((fret) => fretGroup(string, fret))];
		});
	}
	const bench = untrack(
		() =>
			new FretBench(open, order, (_, group) => {
				if (group === bench.due) bench.goOn();
			})
	);
	const unread = () => order().find((group) => !open.string(group)?.isRead);
	onMount(() => {
		open.record.enter('sound');
		const first = unread();
		if (first !== undefined) bench.goTo(first);
		return bench.begin();
	});
	function choose(id: Scope) {
		scope = id;
		const first = unread();
		if (first !== undefined) bench.goTo(first);
	}
	const says = $derived.by(() => {
		if (bench.sounds) return 'It sounds; it is read when it ends.';
		if (bench.listening.state !== 'on') return 'Press Listen.';
		return fretPlaceOf(bench.due).fret === 0 ? `${words.sound}.` : `Stop it close behind the fret, and ${words.again}.`;
	});
	const KEYS = $derived([
		{ keys: '1 2', does: `${words.keys} (simulated strings)` },
		{ keys: '↑ ↓', does: 'turn the peg by a cent, with Shift by ten (simulated strings)' },
		{ keys: 'PageDown, PageUp', does: 'the next one, the one before (pedal)' },
		{ keys: '?', does: 'show or hide this list' }
	]);
</script>

<StepKeys {bench} />

<VisitFrame {open} stage="sound">
	{#snippet status()}<ListeningStatus listening={bench.listening} to="strings" />{/snippet}
	<TwoColumns>
		{#snippet column()}
			<DueString {bench} {says} />
			<p class="sofar" data-testid="found">
				{foundHeadline(open)}
				<a class="anchor" href="/visits/{visit.id}/plan">Go on to Plan</a>
			</p>
			{#if isTied(body)}
				<div>
					<p class="soft">How much is read</p>
					<Segments label="How much is read" choices={SCOPES} chosen={scope} onchoose={choose} />
				</div>
			{/if}
		{/snippet}
		{#snippet pictures()}
			<h2>
				<b>Where do the frets lie?</b>
				<span>neck to scale, seen from the player; dots: where each string wants it, hollow: told by the others</span>
			</h2>
			<FretMap neck={body} frets={shownFrets(open)} due={fretPlaceOf(bench.due).fret} />
			{#if open.isSurveyed && open.map.length}
				<h2><b>How far off?</b> <span>cents now, by string and fret; in italics: told by the others</span></h2>
				<LeftTable {open} as="now" />
			{/if}
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<FretStrip {open} current={bench.due} onselect={(group) => bench.goTo(group)}>
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
