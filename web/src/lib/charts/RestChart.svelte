<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { signed } from '$lib/ui/format';
	import Drawing from './Drawing.svelte';
	import { restChart, type RestMark } from './restChart';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		marks: readonly RestMark[];
		/** Cents within which an interval is let be. */
		tolerance: number;
		/** Lowest and highest of the lower notes. */
		range: readonly [number, number];
		height?: number;
	}
	let { marks, tolerance, range, height = 150 }: Props = $props();
	let width = $state(700);
	const margin = { top: 8, right: 10, bottom: 24, left: 40 };
	const chart = $derived(restChart(marks, tolerance, range, { width, height, margin }));
	const said = $derived(
		marks
			.filter(({ cents }) => Math.abs(cents) > tolerance)
			.map(({ kind, note, cents }) => `${kind} on ${noteName(note)} ${signed(cents)} cents`)
			.join(', ')
	);
</script>

<Drawing
	bind:width
	{height}
	label="Octaves, fifths and fourths in cents from the plan. Outside the tolerance: {said || 'none'}"
>
	<rect
		class="band"
		x={margin.left}
		width={Math.max(0, width - margin.left - margin.right)}
		y={chart.band.top}
		height={Math.max(0, chart.band.bottom - chart.band.top)}
	/>
	<ValueAxis
		ticks={chart.yTicks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => signed(value, 0)}
		zero
	/>
	{#each chart.labels as { note, x, name } (note)}<text {x} y={height - 6} text-anchor="middle">{name}</text>{/each}
	{#each chart.marks as { kind, note, x, y, isHeard, isOut } (`${kind} ${note}`)}
		<g class:out={isOut} class:heard={isHeard}>
			{#if kind === 'octave'}<circle cx={x} cy={y} r="4" />
			{:else if kind === 'fifth'}<rect x={x - 3.5} y={y - 3.5} width="7" height="7" />
			{:else}<path d="M{x - 4.5} {y + 3.5}L{x} {y - 4.5}L{x + 4.5} {y + 3.5}Z" />{/if}
		</g>
	{/each}
</Drawing>

<style>
	.band {
		fill: var(--felt-wash);
	}
	g {
		fill: var(--ground);
		stroke: var(--ink);
		stroke-width: 1.3;
	}
	.heard {
		fill: var(--ink);
	}
	.out {
		stroke: var(--warn);
		stroke-width: 2;
	}
	.out.heard {
		fill: var(--warn);
	}
</style>
