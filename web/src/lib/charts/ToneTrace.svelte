<script lang="ts">
	import { fixed, signed } from '$lib/ui/format';
	import Drawing from './Drawing.svelte';
	import { toneTrace, type TracePoint } from './toneTrace';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		points: readonly TracePoint[];
		/** The note that cents are counted from. */
		name: string;
		height?: number;
	}
	let { points, name, height = 230 }: Props = $props();
	let width = $state(640);
	const margin = { top: 10, right: 12, bottom: 24, left: 52 };
	const chart = $derived(toneTrace(points, { width, height, margin }));
	const last = $derived(points.at(-1));
</script>

<Drawing
	bind:width
	{height}
	label="Cents from {name} by seconds{last ? `: ${signed(last.cents)} after ${fixed(last.at, 1)} seconds` : ''}"
>
	<ValueAxis
		ticks={chart.yTicks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => signed(value, 0)}
		zero
	/>
	{#each chart.xTicks as { x, value } (value)}<text {x} y={height - 6} text-anchor="middle">{value} s</text>{/each}
	<path d={chart.path} />
</Drawing>

<style>
	path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}
</style>
