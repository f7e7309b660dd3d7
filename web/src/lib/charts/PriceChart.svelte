<script lang="ts">
	import { inHz } from '$lib/ui/format';
	import { priceChart, type PriceData } from './priceChart';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		data: PriceData;
		/** The pitch that is looked at, in Hz. */
		chosen: number;
		height?: number;
		onchoose: (a4: number) => void;
	}
	let { data, chosen, height = 172, onchoose }: Props = $props();
	let width = $state(700);
	const margin = { top: 40, right: 14, bottom: 38, left: 46 };
	const chart = $derived(priceChart(data, { width, height, margin }));
	const [low, high] = $derived([data.points[0].a4, data.points[data.points.length - 1].a4]);

	const to = (a4: number) => onchoose(Math.round(10 * Math.min(Math.max(a4, low), high)) / 10);
	function onpointerdown(event: PointerEvent & { currentTarget: HTMLElement }) {
		to(chart.a4At(event.clientX - event.currentTarget.getBoundingClientRect().left));
	}
	function onkeydown(event: KeyboardEvent) {
		const by = { ArrowRight: 0.1, ArrowLeft: -0.1 }[event.key];
		if (!by) return;
		event.preventDefault();
		to(chosen + by * (event.shiftKey ? 10 : 1));
	}
</script>

<div
	bind:clientWidth={width}
	role="slider"
	tabindex="0"
	aria-label="A4 to look at: arrows move it"
	aria-valuemin={low}
	aria-valuemax={high}
	aria-valuenow={chosen}
	aria-valuetext="{inHz(chosen)} hertz"
	{onpointerdown}
	{onkeydown}
>
	<svg class="drawing" {width} {height} aria-hidden="true">
		<ValueAxis ticks={chart.yTicks} from={margin.left} to={width - margin.right} label={(value) => String(value)} />
		{#each chart.xTicks as { value, x } (value)}<text {x} y={height - 21} text-anchor="middle">{value}</text>{/each}
		{#each chart.known as { id, x, words } (id)}
			<path d="M{x - 4},{chart.foot + 5} h8 l-4,-5 z" class="known" />
			<text {x} y={height - 5} text-anchor="middle" class="unit">{words}</text>
		{/each}
		<text x={width - margin.right} y={height - 21} text-anchor="end" class="unit">Hz</text>
		{#if chart.range}
			<rect
				x={chart.range[0]}
				width={Math.max(1, chart.range[1] - chart.range[0])}
				y={margin.top}
				height={chart.foot - margin.top}
				class="range"
			/>
		{/if}
		<path d={chart.mean} class="mean" />
		<path d={chart.strings} class="strings" />
		{#each chart.marks as { id, x, words, level, isLeft } (id)}
			<line x1={x} x2={x} y1={margin.top - 8} y2={chart.foot} class="mark" class:planned={id === 'planned'} />
			<text x={x + (isLeft ? -5 : 5)} y={14 + 15 * level} text-anchor={isLeft ? 'end' : 'start'} class="words"
				>{words}</text
			>
			<line x1={x} x2={x} y1={6 + 15 * level} y2={margin.top - 8} class="mark" class:planned={id === 'planned'} />
		{/each}
		<line x1={chart.x(chosen)} x2={chart.x(chosen)} y1={margin.top - 6} y2={chart.foot} class="chosen" />
		<circle cx={chart.x(chosen)} cy={chart.foot} r="5" class="handle" />
	</svg>
</div>

<style>
	div {
		cursor: ew-resize;
		min-width: 0;
		touch-action: manipulation;
	}
	.strings {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2.25;
	}
	.mean {
		fill: none;
		stroke: var(--faint);
		stroke-width: 2;
		stroke-dasharray: 5 3;
	}
	.range {
		fill: var(--felt-wash);
	}
	.mark {
		stroke: var(--soft);
		stroke-dasharray: 3 3;
	}
	.planned {
		stroke: var(--sharp);
		stroke-dasharray: none;
		stroke-width: 2;
	}
	.words {
		fill: var(--ink);
	}
	.chosen {
		stroke: var(--felt);
		stroke-width: 1.5;
	}
	.known {
		fill: var(--soft);
	}
	.handle {
		fill: var(--felt);
	}
	.unit {
		fill: var(--soft);
	}
</style>
