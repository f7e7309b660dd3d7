<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { signed } from '$lib/ui/format';
	import { curveChart, type CurveData } from './curveChart';
	import NoteAxis from './NoteAxis.svelte';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		data: CurveData;
		/** What the dashed line is. */
		besideName?: string;
		selected: number;
		height?: number;
		onselect: (note: number) => void;
		/** Moves the selected note by so many cents. */
		onnudge: (by: number) => void;
	}
	let { data, besideName, selected, height = 225, onselect, onnudge }: Props = $props();
	let width = $state(700);
	const margin = { top: 12, right: 12, bottom: 24, left: 46 };
	const chart = $derived(curveChart(data, { width, height, margin }));
	const at = $derived(data.drawn[selected - data.lowest] ?? 0);
	const said = $derived(
		`${noteName(selected)} ${signed(at)} cents${data.held.includes(selected) ? ', set by ear' : ''}${
			data.beside && besideName ? `, ${besideName} ${signed(data.beside[selected - data.lowest] ?? 0)}` : ''
		}`
	);
	/** On the side where there is room. */
	const left = $derived(chart.x(selected) > width - 220);

	function onpointerdown(event: PointerEvent & { currentTarget: HTMLElement }) {
		onselect(chart.noteAt(event.clientX - event.currentTarget.getBoundingClientRect().left));
	}
	function onkeydown(event: KeyboardEvent) {
		const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
		const turn = { ArrowUp: 0.1, ArrowDown: -0.1 }[event.key];
		if (!step && !turn) return;
		event.preventDefault();
		if (step) onselect(Math.min(Math.max(selected + step * (event.shiftKey ? 12 : 1), data.lowest), data.highest));
		if (turn) onnudge(turn * (event.shiftKey ? 5 : 1));
	}
</script>

<div
	bind:clientWidth={width}
	role="slider"
	tabindex="0"
	aria-label="Tuning curve: arrows choose a note and move it"
	aria-valuemin={data.lowest}
	aria-valuemax={data.highest}
	aria-valuenow={selected}
	aria-valuetext={said}
	{onpointerdown}
	{onkeydown}
>
	<svg class="drawing" {width} {height} aria-hidden="true">
		<ValueAxis
			ticks={chart.ticks}
			from={margin.left}
			to={width - margin.right}
			label={(value) => signed(value, 0)}
			zero
		/>
		<NoteAxis labels={chart.labels} y={height - 6} />
		<line x1={chart.x(selected)} x2={chart.x(selected)} y1={margin.top} y2={height - margin.bottom} class="cursor" />
		{#if chart.band}<path d={chart.band} class="band" />{/if}
		{#each chart.dots as { note, x, y } (note)}<circle cx={x} cy={y} r="2.5" class="standing" />{/each}
		{#if chart.beside}<path d={chart.beside} class="beside" />{/if}
		<path d={chart.drawn} class="drawn" />
		{#each chart.held as { note, x, y } (note)}<rect x={x - 4.5} y={y - 4.5} width="9" height="9" class="held" />{/each}
		<circle cx={chart.x(selected)} cy={chart.y(at)} r="5" class="here" />
		<text
			x={chart.x(selected) + (left ? -10 : 10)}
			y={margin.top + 12}
			text-anchor={left ? 'end' : 'start'}
			class="said"
			>{noteName(selected)}
			{signed(at)}{#if data.beside}; dashed {signed(data.beside[selected - data.lowest] ?? 0)}{/if}</text
		>
	</svg>
</div>

<style>
	div {
		cursor: crosshair;
		min-width: 0;
		touch-action: manipulation;
	}
	.said {
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 5px;
	}
	.band {
		fill: var(--felt-wash);
	}
	.drawn {
		fill: none;
		stroke: var(--felt);
		stroke-width: 2.5;
	}
	.beside {
		fill: none;
		stroke: var(--soft);
		stroke-width: 1.75;
		stroke-dasharray: 6 4;
	}
	.standing {
		fill: none;
		stroke: var(--faint);
		stroke-width: 1.5;
	}
	.held {
		fill: var(--ground);
		stroke: var(--felt);
		stroke-width: 2;
	}
	.here {
		fill: var(--felt);
	}
	.cursor {
		stroke: var(--faint);
	}
</style>
