<script lang="ts">
	import { noteName } from '@fendrel/core';
	import Drawing from './Drawing.svelte';
	import { provedStaircase, type ProvedTread } from './provedStaircase';
	import ValueAxis from './ValueAxis.svelte';
	import { fixed } from '$lib/ui/format';

	interface Props {
		treads: readonly ProvedTread[];
		/** What the treads are, for the text equivalent: "major thirds". */
		interval: string;
		height?: number;
	}
	let { treads, interval, height = 250 }: Props = $props();
	let width = $state(700);
	const margin = { top: 18, right: 10, bottom: 26, left: 40 };
	const chart = $derived(provedStaircase(treads, { width, height, margin }));
	const said = $derived(
		treads
			.map(
				({ note, rate, isHeard, isInversion }) =>
					`${noteName(note)} ${fixed(Math.abs(rate), 1)}${isHeard ? ' heard' : ''}${isInversion ? ', a step the wrong way' : ''}`
			)
			.join('; ')
	);
	const plan = $derived(
		chart.treads.map(({ x, planY }, i) => `${i === 0 ? 'M' : 'L'}${x + chart.step / 2} ${planY}`).join('')
	);
</script>

<Drawing bind:width {height} label="Beats per second of the {interval}, by lower note: {said}">
	<ValueAxis ticks={chart.yTicks} from={margin.left} to={width - margin.right} label={String} />
	<path class="plan" d={plan} />
	{#each chart.treads as { note, x, y, from, to, isHeard, isInversion }, i (note)}
		{@const before = chart.treads[i - 1]}
		{#if before && before.note === note - 1}<line
				class="riser"
				class:wrong={isInversion}
				x1={x}
				x2={x}
				y1={before.y}
				y2={y}
			/>{/if}
		<line class="tread" class:heard={isHeard} class:wrong={isInversion} x1={x} x2={x + chart.step} y1={y} y2={y} />
		<line class="error" x1={x + chart.step / 2} x2={x + chart.step / 2} y1={from} y2={to} />
		{#if isHeard}<circle cx={x + chart.step / 2} cy={y} r="4.5" class:wrong={isInversion} />{/if}
		{#if isInversion}<text class="wrong" x={x + chart.step / 2} y={Math.max(from, y) + 18} text-anchor="middle"
				>wrong way</text
			>{/if}
		<text x={x + chart.step / 2} y={height - 6} text-anchor="middle">{noteName(note)}</text>
	{/each}
</Drawing>

<style>
	.plan {
		fill: none;
		stroke: var(--soft);
		stroke-width: 1.3;
		stroke-dasharray: 4 4;
	}
	.tread {
		stroke: var(--felt);
		stroke-width: 2;
		opacity: 0.65;
	}
	.tread.heard {
		stroke-width: 3.5;
		opacity: 1;
	}
	.riser {
		stroke: var(--felt);
		stroke-width: 1.2;
		opacity: 0.65;
	}
	.error {
		stroke: var(--felt);
		stroke-width: 1.2;
	}
	circle {
		fill: var(--felt);
	}
	line.wrong {
		stroke: var(--warn);
		opacity: 1;
		stroke-width: 3.5;
	}
	circle.wrong,
	text.wrong {
		fill: var(--warn);
	}
	text.wrong {
		font-weight: 700;
	}
</style>
