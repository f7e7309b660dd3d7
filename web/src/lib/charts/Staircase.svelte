<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { staircase, type Tread } from './staircase';
	import ValueAxis from './ValueAxis.svelte';
	import Drawing from './Drawing.svelte';
	import { fixed } from '$lib/ui/format';

	interface Props {
		treads: readonly Tread[];
		/** What the treads are, for the text equivalent: "major thirds". */
		interval: string;
		/** The same treads as they should be, drawn dashed. */
		beside?: readonly Tread[];
	}
	let { treads, interval, beside = [] }: Props = $props();
	let width = $state(600);
	const height = 150;
	/** Pixels that a note's name or a rate needs; narrower treads are labelled in turn. */
	const ROOM_FOR_LABEL = 34;
	const margin = { top: 20, right: 8, bottom: 26, left: 40 };
	const chart = $derived(staircase(treads, { width, height, margin }, beside));
	const said = $derived(treads.map(({ note, rate }) => `${noteName(note)} ${fixed(rate, 1)}`).join(', '));
	const pathOf = (all: typeof chart.treads) =>
		all.map(({ x, y }, i) => `${i === 0 ? 'M' : 'V'}${i === 0 ? `${x} ${y}` : y}H${x + chart.step}`).join('');
</script>

<Drawing bind:width {height} label="Beats per second of the {interval}, by lower note: {said}">
	<ValueAxis
		ticks={chart.yTicks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => String(value).replace('-', '−')}
	/>
	{#each chart.treads.filter((_, i) => chart.step > ROOM_FOR_LABEL || i % 2 === 0) as { note, rate, x, y } (note)}
		<text x={x + chart.step / 2} y={height - 6} text-anchor="middle">{noteName(note)}</text>
		<text x={x + chart.step / 2} y={y - 7} text-anchor="middle" class="rate">{fixed(rate, 1).replace('-', '−')}</text>
	{/each}
	{#if chart.beside.length}<path class="beside" d={pathOf(chart.beside)} />{/if}
	<path d={pathOf(chart.treads)} />
</Drawing>

<style>
	.rate {
		fill: var(--ink);
	}
	path {
		fill: none;
		stroke: var(--felt);
		stroke-width: 3;
		stroke-linejoin: round;
	}
	.beside {
		stroke: var(--soft);
		stroke-width: 1.5;
		stroke-dasharray: 5 4;
	}
</style>
