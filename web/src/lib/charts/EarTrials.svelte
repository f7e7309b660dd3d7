<script lang="ts">
	import Drawing from './Drawing.svelte';
	import { earTrials, type EarTrialsOf } from './earTrials';
	import ValueAxis from './ValueAxis.svelte';

	interface Props extends EarTrialsOf {
		/** How a size reads on the axis. */
		label: (size: number) => string;
		height?: number;
	}
	let { label, height = 220, ...of }: Props = $props();
	let width = $state(700);
	const margin = { top: 10, right: 12, bottom: 22, left: 46 };
	const chart = $derived(earTrials(of, { width, height, margin }));
	const right = $derived(of.trials.filter(({ isRight }) => isRight).length);
</script>

<Drawing bind:width {height} label="Sizes played and answered: {right} of {of.trials.length} right.">
	<ValueAxis ticks={chart.yTicks} from={margin.left} to={width - margin.right} {label} />
	{#if chart.band}
		<rect
			class="band"
			x={margin.left}
			width={width - margin.left - margin.right}
			y={chart.band.high}
			height={chart.band.low - chart.band.high}
		/>
		<line class="threshold" x1={margin.left} x2={width - margin.right} y1={chart.band.y} y2={chart.band.y} />
	{/if}
	{#each chart.xTicks as { value, x } (value)}<text {x} y={height - 5} text-anchor="middle">{value}</text>{/each}
	{#each chart.marks as { x, y, isRight }, i (i)}
		{#if isRight}<circle cx={x} cy={y} r="4" class="right" />
		{:else}<path d="M{x - 4},{y - 4}L{x + 4},{y + 4}M{x - 4},{y + 4}L{x + 4},{y - 4}" class="wrong" />{/if}
	{/each}
</Drawing>

<style>
	.band {
		fill: var(--felt);
		opacity: 0.14;
	}
	.threshold {
		stroke: var(--felt);
		stroke-width: 1.5;
		stroke-dasharray: 6 3;
	}
	.right {
		fill: var(--ink);
	}
	.wrong {
		stroke: var(--sharp);
		stroke-width: 2;
		fill: none;
	}
</style>
