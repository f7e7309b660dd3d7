<script lang="ts">
	import Drawing from './Drawing.svelte';
	import { setTrials } from './setTrials';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		/** By how much each differs from what was asked. */
		offs: readonly number[];
		/** The axis reaches at least so far either way. */
		least: number;
		/** So many a sitting has. */
		most: number;
		/** How a difference reads on the axis. */
		label: (off: number) => string;
		/** What each is called; numbered unless given. */
		names?: readonly string[];
		height?: number;
	}
	let { offs, least, most, label, names, height = 200 }: Props = $props();
	let width = $state(700);
	const margin = { top: 10, right: 12, bottom: 22, left: 52 };
	const chart = $derived(setTrials(offs, least, most, { width, height, margin }));
	const signed = (off: number) => `${off > 0 ? '+' : off < 0 ? '−' : ''}${label(Math.abs(off))}`;
</script>

<Drawing
	bind:width
	{height}
	label="What was set, against what was asked: {offs.map(signed).join(', ') || 'nothing yet'}."
>
	<ValueAxis ticks={chart.yTicks} from={margin.left} to={width - margin.right} label={signed} />
	<line class="zero" x1={margin.left} x2={width - margin.right} y1={chart.zero} y2={chart.zero} />
	{#if names}
		{#each chart.marks as { x }, i (i)}<text {x} y={height - 5} text-anchor="middle">{names[i]}</text>{/each}
	{:else}
		{#each chart.xTicks as { value, x } (value)}<text {x} y={height - 5} text-anchor="middle">{value}</text>{/each}
	{/if}
	{#each chart.marks as { x, y, off }, i (i)}
		<line class:sharp={off > 0} class="stem" x1={x} x2={x} y1={chart.zero} y2={y} />
		<circle cx={x} cy={y} r="4.5" class:sharp={off > 0} />
	{/each}
</Drawing>

<style>
	.zero {
		stroke: var(--felt);
		stroke-width: 1.5;
	}
	.stem {
		stroke: var(--flat);
		stroke-width: 2;
	}
	circle {
		fill: var(--flat);
	}
	.stem.sharp {
		stroke: var(--sharp);
	}
	circle.sharp {
		fill: var(--sharp);
	}
</style>
