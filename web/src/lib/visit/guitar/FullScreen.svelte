<script lang="ts">
	import { onMount } from 'svelte';
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import type { GuitarBench } from './guitarBench.svelte';
	import { playedWords } from './guitarWords';
	import LiveStrings from './LiveStrings.svelte';
	import { fixed } from '$lib/ui/format';

	interface Props {
		open: GuitarVisit;
		bench: GuitarBench;
		onclose: () => void;
	}
	let { open, bench, onclose }: Props = $props();
	let view = $state<HTMLDivElement>();
	const due = $derived(bench.string);
	const off = $derived(bench.sounds && bench.live ? bench.live.off : due?.off);
	const isWithin = $derived(off !== undefined && Math.abs(off) <= open.visit.tolerance);
	const side = $derived(off === undefined || isWithin ? '' : off > 0 ? 'high' : 'low');

	onMount(() => {
		// A window that may not fill the screen shows the same over its own page.
		void view?.requestFullscreen?.().catch(() => undefined);
		view?.focus();
		return () => {
			if (document.fullscreenElement) void document.exitFullscreen().catch(() => undefined);
		};
	});
	function onfullscreenchange() {
		if (!document.fullscreenElement) onclose();
	}
	function onkeydown(event: KeyboardEvent) {
		if (event.key !== 'Escape') return;
		event.preventDefault();
		onclose();
	}
</script>

<svelte:document {onfullscreenchange} />
<svelte:window {onkeydown} />

<div class="view" role="dialog" aria-label="Live view" tabindex="-1" bind:this={view}>
	<p class="top">
		<span>{open.instrument.name}: {open.tunedTo}, {playedWords(open.how)}</span>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={onclose}>Back to Set</button>
	</p>
	<p class="due">
		<b>{due?.noteName}</b>
		<span class="off {side}" class:within={isWithin} data-testid="live-off"
			>{off === undefined ? '–' : fixed(Math.abs(off), 1)}</span
		>
		<span class="unit">{off === undefined ? 'not read' : isWithin ? 'it stands' : `cents too ${side}`}</span>
	</p>
	<LiveStrings {open} {bench} height={380} />
</div>

<style>
	.view {
		position: fixed;
		inset: 0;
		z-index: 50;
		background: var(--ground);
		color: var(--ink);
		padding: 1.5rem 2.5rem;
		display: grid;
		grid-template-rows: auto 1fr auto;
		gap: 1rem;
		overflow: auto;
	}
	.top {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 1rem;
	}
	.due {
		display: grid;
		grid-template-columns: 1fr 1.6fr 1fr;
		align-items: center;
		gap: 2rem;
	}
	b {
		font-family: var(--mono);
		font-size: clamp(4rem, 14vw, 11rem);
		line-height: 1;
		text-align: right;
	}
	.off {
		font-size: clamp(5rem, 18vw, 15rem);
		line-height: 1;
		font-weight: 700;
		font-variant-numeric: tabular-nums;
		text-align: center;
	}
	.unit {
		font-family: var(--serif);
		font-size: clamp(1.4rem, 3vw, 2.4rem);
	}
	.high {
		color: var(--sharp);
	}
	.low {
		color: var(--flat);
	}
	.within {
		color: var(--felt);
	}
</style>
