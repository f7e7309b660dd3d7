<script lang="ts">
	import { onShortDay } from '$lib/ui/format';
	import Drawing from './Drawing.svelte';
	import { earRecord, type EarSitting } from './earRecord';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		/** The oldest first. */
		sittings: readonly EarSitting[];
		/** Milliseconds since 1970. */
		now: number;
		/** How a size reads on the axis. */
		label: (size: number) => string;
		height?: number;
	}
	let { sittings, now, label, height = 150 }: Props = $props();
	let width = $state(480);
	const margin = { top: 8, right: 10, bottom: 22, left: 46 };
	const chart = $derived(earRecord(sittings, now, { width, height, margin }));
	const said = $derived(
		sittings
			.map(
				({ at, figure: { size, low, high } }) =>
					`${onShortDay(new Date(at))}: ${label(size)}, ${label(low)} to ${label(high)}`
			)
			.join('; ')
	);
</script>

<Drawing bind:width {height} label="Figures from sitting to sitting. {said}">
	<ValueAxis ticks={chart.yTicks} from={margin.left} to={width - margin.right} {label} />
	{#each chart.xTicks as { x, label: day } (x)}<text {x} y={height - 5} text-anchor="middle">{day}</text>{/each}
	{#each chart.marks as { x, y, low, high }, i (i)}
		<line x1={x} x2={x} y1={low} y2={high} />
		<circle cx={x} cy={y} r="4" />
	{/each}
</Drawing>

<style>
	line {
		stroke: var(--felt);
		stroke-width: 2;
	}
	circle {
		fill: var(--ink);
	}
</style>
