<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { flatOrSharp, signed } from '$lib/ui/format';
	import { foundChart, type FoundNote } from './foundChart';
	import NoteAxis from './NoteAxis.svelte';
	import ValueAxis from './ValueAxis.svelte';
	import Drawing from './Drawing.svelte';

	interface Props {
		notes: readonly FoundNote[];
		lowest: number;
		highest: number;
		/** Notes of the survey, marked along the line. */
		wanted: readonly number[];
		due: number;
	}
	let { notes, lowest, highest, wanted, due }: Props = $props();
	let width = $state(700);
	let height = $state(320);
	const margin = { top: 26, right: 14, bottom: 28, left: 66 };
	const chart = $derived(foundChart(notes, lowest, highest, { width, height, margin }));
	const zero = $derived(chart.ticks.find(({ value }) => value === 0)!.y);
	const read = $derived(new Set(notes.map(({ note }) => note)));
	const said = $derived(notes.map(({ note, offset }) => `${noteName(note)} ${flatOrSharp(offset)}`).join(', '));
</script>

<Drawing bind:width bind:height fills label="Pitch as found, cents from the plan. {said || 'Nothing read yet.'}">
	<ValueAxis
		ticks={chart.ticks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => signed(value, Number.isInteger(value) ? 0 : 1)}
		zero
	/>
	<text x={margin.left - 9} y="14" text-anchor="end">cents</text>
	<NoteAxis labels={chart.labels} y={height - 8} />
	<line x1={chart.x(due)} x2={chart.x(due)} y1={margin.top} y2={height - margin.bottom} class="due" />
	<text
		x={chart.x(due)}
		y="14"
		text-anchor={due - lowest < 4 ? 'start' : highest - due < 4 ? 'end' : 'middle'}
		class="name">{noteName(due)}</text
	>
	{#each wanted.filter((note) => !read.has(note)) as note (note)}
		<line x1={chart.x(note)} x2={chart.x(note)} y1={zero - 4} y2={zero + 4} class="wanted" />
	{/each}
	<path d={chart.path} class="along" />
	{#each chart.points as { note, x, y, top, bottom, spread, falseBeat, again } (note)}
		{#if bottom - top > 3}<line
				x1={x}
				x2={x}
				y1={top}
				y2={bottom}
				class={spread === undefined ? 'error' : 'spread'}
			/>{/if}
		<circle cx={x} cy={y} r="4" class:again />
		{#if falseBeat}<path d="M{x - 8} {y - 12}q4 -6 8 0t8 0" class="beat" />{/if}
	{/each}
</Drawing>

<style>
	.name {
		fill: var(--ink);
		font-weight: 700;
	}
	.due {
		stroke: var(--felt);
		stroke-width: 2;
		stroke-dasharray: 1 5;
		stroke-linecap: round;
	}
	.wanted {
		stroke: var(--soft);
		stroke-width: 1.5;
	}
	.along {
		fill: none;
		stroke: var(--faint, var(--line));
		stroke-width: 1.5;
	}
	circle {
		fill: var(--ink);
	}
	circle.again {
		fill: var(--ground);
		stroke: var(--ink);
		stroke-width: 2;
	}
	.error {
		stroke: var(--soft);
	}
	.spread {
		stroke: var(--soft);
		stroke-width: 5;
		opacity: 0.6;
	}
	.beat {
		fill: none;
		stroke: var(--warn);
		stroke-width: 2;
	}
</style>
