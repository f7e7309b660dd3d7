<script lang="ts">
	import { format } from 'date-fns';
	import Drawing from './Drawing.svelte';
	import { dueWeeks } from './dueWeeks';

	interface Props {
		due: readonly { readonly name: string; readonly due: number }[];
		now: number;
		weeks?: number;
		height?: number;
	}
	let { due, now, weeks = 12, height = 120 }: Props = $props();
	let width = $state(560);
	const margin = { top: 8, right: 8, bottom: 24, left: 8 };
	const chart = $derived(dueWeeks(due, now, weeks, { width, height, margin }));
	const over = $derived(chart.dots.filter(({ isOver }) => isOver).length);
</script>

<Drawing
	bind:width
	{height}
	label="What falls due in {weeks} weeks: {over} overdue, {chart.dots.length - over} to come"
>
	<line class="base" x1={margin.left} x2={width - margin.right} y1={chart.base} y2={chart.base} />
	{#each chart.ticks as { column, x, at } (column)}
		{#if column < 0}<text {x} y={height - 6} text-anchor="middle">overdue</text>
		{:else if column % 2 === 1}<text {x} y={height - 6} text-anchor="middle">{format(new Date(at), 'd MMM')}</text>{/if}
	{/each}
	{#each chart.dots as { name, x, y, isOver }, i (i)}
		<circle class:over={isOver} cx={x} cy={y} r={chart.radius}><title>{name}</title></circle>
	{/each}
</Drawing>

<style>
	.base {
		stroke: var(--line);
	}
	circle {
		fill: var(--felt);
	}
	circle.over {
		fill: var(--ground);
		stroke: var(--warn);
		stroke-width: 2;
	}
</style>
