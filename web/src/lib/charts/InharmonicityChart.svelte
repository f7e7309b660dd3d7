<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { inharmonicityChart, inharmonicityName, type InharmonicityData } from './inharmonicityChart';
	import NoteAxis from './NoteAxis.svelte';
	import ValueAxis from './ValueAxis.svelte';
	import Drawing from './Drawing.svelte';

	let { data, height = 290 }: { data: InharmonicityData; height?: number } = $props();
	let width = $state(900);
	const margin = { top: 12, right: 14, bottom: 26, left: 66 };
	const chart = $derived(inharmonicityChart(data, { width, height, margin }));
	const odd = $derived(data.known.filter((each) => each.odd));
	const struck = $derived(data.known.filter(({ by }) => by === 'strike').length);
</script>

<Drawing
	bind:width
	{height}
	label="Inharmonicity along the keyboard, log scale: {struck} notes read{odd.length
		? `; out of line: ${odd.map(({ note }) => noteName(note)).join(', ')}`
		: ''}"
>
	<ValueAxis ticks={chart.ticks} from={margin.left} to={width - margin.right} label={inharmonicityName} />
	<NoteAxis labels={chart.labels} y={height - 8} />
	<text x={margin.left - 9} y={margin.top} text-anchor="end">B</text>
	{#if chart.breakX !== undefined}
		<line x1={chart.breakX} x2={chart.breakX} y1={margin.top} y2={height - margin.bottom} class="break" />
		<text x={chart.breakX + 6} y={margin.top + 12}>break</text>
	{/if}
	<path d={chart.band} class="band" />
	<path d={chart.model} class="model" />
	{#each chart.points as { note, by, odd, below, x, y, top, bottom } (note)}
		{#if bottom - top > 6}<line x1={x} x2={x} y1={top} y2={bottom} class="error" />{/if}
		{#if by === 'strike'}<circle cx={x} cy={y} r="3" class="read" />
		{:else}<path d="M{x - 3.5} {y - 3.5}l7 7m0 -7l-7 7" class="table" />{/if}
		{#if odd}<circle cx={x} cy={y} r="8" class="odd" /><text x={x + 11} y={y + (below ? 18 : -8)} class="name"
				>{noteName(note)}</text
			>{/if}
	{/each}
</Drawing>

<style>
	.name {
		fill: var(--warn);
		font-weight: 700;
	}
	.band {
		fill: var(--felt-wash);
	}
	.model {
		fill: none;
		stroke: var(--felt);
		stroke-width: 2;
	}
	.read {
		fill: var(--ink);
	}
	.table {
		stroke: var(--soft);
		stroke-width: 1.5;
		fill: none;
	}
	.error {
		stroke: var(--faint);
	}
	.odd {
		fill: none;
		stroke: var(--warn);
		stroke-width: 2;
	}
	.break {
		stroke: var(--soft);
		stroke-dasharray: 2 4;
	}
</style>
