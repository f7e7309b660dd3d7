<script lang="ts">
	import type { TableLoad } from '@fendrel/core';
	import { stringLoads } from './stringLoads';
	import NoteAxis from './NoteAxis.svelte';
	import ValueAxis from './ValueAxis.svelte';
	import Drawing from './Drawing.svelte';
	import { fixed } from '$lib/ui/format';

	let { load, lowest, highest }: { load: TableLoad; lowest: number; highest: number } = $props();
	let width = $state(760);
	const height = 290;
	const margin = { top: 20, right: 14, bottom: 26, left: 66 };
	const chart = $derived(stringLoads(load.notes, lowest, highest, { width, height, margin, gap: 34 }));
	const near = $derived(load.warnings.filter(({ kind }) => kind === 'near breaking').length);
</script>

<Drawing
	bind:width
	{height}
	label="Tension of one string in newtons and share of its breaking load by note: {load.known} strings known, {near} near breaking"
>
	<text x={margin.left} y={margin.top - 7}>tension of one string, N; hollow: after the raise</text>
	<ValueAxis
		ticks={chart.tensionTicks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => fixed(value, 0)}
	/>
	{#each chart.tensions as { note, x, y, after } (note)}
		{#if y - after > 1}<circle cx={x} cy={after} r="3" class="after" />{/if}
		<circle cx={x} cy={y} r="3" class="now" />
	{/each}
	<text x={margin.left} y={chart.shareTicks[4].y - 8}>share of the breaking load, %</text>
	<ValueAxis
		ticks={chart.shareTicks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => fixed(100 * value, 0)}
	/>
	{#each chart.shares as { note, x, y, after, near: isNear } (note)}
		<rect {x} y={after} width={chart.bar} height={chart.base - after} class="share after" class:near={isNear} />
		<rect {x} {y} width={chart.bar} height={chart.base - y} class="share" class:near={isNear} />
	{/each}
	<line
		x1={margin.left}
		x2={width - margin.right}
		y1={chart.shareTicks[3].y}
		y2={chart.shareTicks[3].y}
		class="limit"
	/>
	<NoteAxis labels={chart.labels} y={height - 8} />
</Drawing>

<style>
	.now {
		fill: var(--felt);
	}
	circle.after {
		fill: none;
		stroke: var(--felt);
	}
	.share {
		fill: var(--felt);
	}
	.share.after {
		fill: var(--felt-wash);
	}
	.share.near {
		fill: var(--warn);
	}
	.share.near.after {
		fill: none;
		stroke: var(--warn);
	}
	.limit {
		stroke: var(--warn);
		stroke-dasharray: 5 4;
	}
</style>
