<script lang="ts">
	import type { IntervalRun } from '@fendrel/core';
	import { noteName } from '@fendrel/core';
	import { signed } from '$lib/ui/format';
	import { intervalLines } from './intervalLines';
	import NoteAxis from './NoteAxis.svelte';
	import ValueAxis from './ValueAxis.svelte';
	import Drawing from './Drawing.svelte';

	interface Props {
		runs: readonly IntervalRun[];
		lowest: number;
		highest: number;
		selected: number;
		height?: number;
	}
	let { runs, lowest, highest, selected, height = 190 }: Props = $props();
	let width = $state(700);
	const margin = { top: 10, right: 104, bottom: 24, left: 46 };
	const chart = $derived(intervalLines(runs, lowest, highest, selected, { width, height, margin }));
	const clip = $props.id();
	const said = $derived(
		runs
			.map(({ kind, worst }) =>
				worst ? `${kind.name} at most ${signed(worst.rate)} at ${noteName(worst.lower)}` : `${kind.name} nowhere`
			)
			.join('; ')
	);
</script>

<Drawing bind:width {height} label="Beats per second by the lower note. {said}">
	<clipPath id={clip}>
		<rect
			x={margin.left}
			y={margin.top - 4}
			width={Math.max(0, width - margin.left - margin.right)}
			height={height - margin.top - margin.bottom + 8}
		/>
	</clipPath>
	<ValueAxis
		ticks={chart.ticks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => signed(value, Number.isInteger(value) ? 0 : 1)}
		zero
	/>
	<NoteAxis labels={chart.labels} y={height - 6} />
	<line x1={chart.x(selected)} x2={chart.x(selected)} y1={margin.top} y2={height - margin.bottom} class="cursor" />
	<g clip-path="url(#{clip})">
		{#each chart.lines as { name, faint, strong, here }, i (name)}
			<path d={faint} class="faint l{i}" />
			<path d={strong} class="strong l{i}" />
			{#if here}<circle cx={here.x} cy={here.y} r="3.5" class="l{i}" />{/if}
		{/each}
	</g>
	{#each chart.lines as { name, labelY, here }, i (name)}
		<line x1={width - margin.right + 6} x2={width - margin.right + 24} y1={labelY} y2={labelY} class="strong l{i}" />
		<text x={width - margin.right + 29} y={labelY + 4} class="name"
			>{name}{#if here && width > 560}&nbsp;<tspan class="value"
					>{signed(here.rate, Math.abs(here.rate) < 9.95 ? 1 : 0)}</tspan
				>{/if}</text
		>
	{/each}
</Drawing>

<style>
	.name {
		fill: var(--ink);
		font-size: 12.5px;
	}
	.value {
		fill: var(--soft);
	}
	path {
		fill: none;
	}
	.faint {
		stroke-width: 1;
		opacity: 0.4;
	}
	.strong {
		stroke-width: 2.5;
	}
	.cursor {
		stroke: var(--faint);
	}
	.l0 {
		stroke: var(--felt);
	}
	.l1 {
		stroke: var(--sharp);
		stroke-dasharray: 9 3;
	}
	.l2 {
		stroke: var(--flat);
		stroke-dasharray: 3 3;
	}
	.l3 {
		stroke: var(--ink);
		stroke-dasharray: 12 3 2 3;
	}
	.l4 {
		stroke: var(--soft);
		stroke-dasharray: 1.5 3.5;
	}
	circle {
		fill: var(--ground);
		stroke-width: 2;
		stroke-dasharray: none !important;
	}
</style>
