<script lang="ts">
	import { fixed, signed } from '$lib/ui/format';
	import Drawing from './Drawing.svelte';
	import { filingTrace, type FiledPoint, type NextBite } from './filingTrace';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		points: readonly FiledPoint[];
		next: NextBite | undefined;
		height?: number;
	}
	let { points, next, height = 140 }: Props = $props();
	let width = $state(700);
	const margin = { top: 10, right: 150, bottom: 24, left: 52 };
	const chart = $derived(filingTrace(points, next, { width, height, margin }));
	const last = $derived(points.at(-1));
	const after = $derived(next && `after ${next.strokes} more: ${signed(next.then)} ±${fixed(next.error, 1)}`);
</script>

<Drawing
	bind:width
	{height}
	label="Cents by strokes{last ? `: ${signed(last.off)} after ${last.strokes}` : ''}{after ? `; ${after}` : ''}"
>
	<ValueAxis
		ticks={chart.yTicks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => signed(value, 0)}
		zero
	/>
	{#each chart.xTicks as { x, value } (value)}<text {x} y={height - 6} text-anchor="middle">{value}</text>{/each}
	{#if chart.next}
		{@const { from, to, low, high } = chart.next}
		<path class="band" d="M{from.x} {from.y}L{to.x} {low}L{to.x} {high}z" />
		<line class="ahead" x1={from.x} y1={from.y} x2={to.x} y2={to.y} />
		<text x={to.x + 8} y={to.y + 4}>{after}</text>
	{/if}
	{#if chart.path}<path class="came" d={chart.path} />{/if}
	{#each chart.points as { x, y }, i (i)}<circle cx={x} cy={y} r="4" />{/each}
</Drawing>

<style>
	text {
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
	}
	.came {
		fill: none;
		stroke: var(--sharp);
		stroke-width: 1.5;
	}
	circle {
		fill: var(--sharp);
	}
	.band {
		fill: var(--sharp);
		opacity: 0.18;
	}
	.ahead {
		stroke: var(--soft);
		stroke-dasharray: 3 3;
	}
</style>
