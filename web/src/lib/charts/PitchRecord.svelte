<script lang="ts">
	import { flatOrSharp, onShortDay, signed } from '$lib/ui/format';
	import { pitchRecord, type PitchPoint } from './pitchRecord';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		points: readonly PitchPoint[];
		/** What zero stands for, such as "A4 = 440.0 Hz". */
		zero: string;
	}
	let { points, zero }: Props = $props();
	let width = $state(760);
	const height = 250;
	const margin = { top: 14, right: 16, bottom: 30, left: 46 };
	const chart = $derived(pitchRecord(points, { width, height, margin }));
	const said = $derived(
		points
			.map(({ at, found }) => `${onShortDay(at)}: ${found === undefined ? 'not read' : `found ${flatOrSharp(found)}`}`)
			.join('; ')
	);
</script>

<figure bind:clientWidth={width}>
	<figcaption>
		<b>How does it keep its pitch?</b>
		<span class="soft">cents from {zero}; ring: found, dot: left</span>
	</figcaption>
	<svg class="drawing" {width} {height} role="img" aria-label="Pitch record. {said}">
		<ValueAxis
			ticks={chart.yTicks}
			from={margin.left}
			to={width - margin.right}
			label={(value) => signed(value, 0)}
			zero
		/>
		{#each chart.xTicks as { x, label } (x)}<text {x} y={height - 8} text-anchor="middle">{label}</text>{/each}
		{#each chart.stretches as path, i (i)}<path d={path} class="stretch" />{/each}
		{#each chart.marks as mark (mark.at.getTime())}
			{#if mark.found !== undefined && mark.left !== undefined}
				<line x1={mark.x} x2={mark.x} y1={mark.found} y2={mark.left} class="move" />
			{/if}
			{#if mark.found !== undefined}<circle cx={mark.x} cy={mark.found} r="5" class="found" />{/if}
			{#if mark.left !== undefined}<circle cx={mark.x} cy={mark.left} r="4" class="left" />{/if}
		{/each}
	</svg>
</figure>

<style>
	figcaption {
		margin-bottom: 0.4rem;
	}
	.stretch {
		stroke: var(--faint);
		stroke-width: 1.5;
		fill: none;
	}
	.move {
		stroke: var(--felt);
		stroke-dasharray: 2 3;
	}
	.found {
		fill: var(--ground);
		stroke: var(--ink);
		stroke-width: 1.75;
	}
	.left {
		fill: var(--felt);
	}
</style>
