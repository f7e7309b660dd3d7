<script lang="ts">
	import { signed } from '$lib/ui/format';
	import Drawing from './Drawing.svelte';
	import { driftAhead, type DriftingLine } from './driftAhead';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		/** At most three: each has a stroke of its own. */
		lines: readonly DriftingLine[];
		from: number;
		step: number;
		height?: number;
	}
	let { lines, from, step, height = 270 }: Props = $props();
	let width = $state(640);
	const margin = { top: 22, right: 190, bottom: 26, left: 46 };
	const chart = $derived(driftAhead(lines, from, step, { width, height, margin }));
</script>

<Drawing
	bind:width
	{height}
	label="Cents off in the months to come: {lines
		.map(({ name, ahead }) => `${name} ${signed(ahead.at(-1)?.cents ?? 0, 0)}`)
		.join(', ')}"
>
	<text class="unit" x="6" y="12">cents</text>
	<ValueAxis
		ticks={chart.ticks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => signed(value, 0)}
		zero
	/>
	<text x={margin.left} y={height - 6}>now</text>
	{#each chart.months as { name, x } (x)}<text {x} y={height - 6} text-anchor="middle">{name}</text>{/each}
	{#each chart.lines as { name, band }, i (name)}<path class="band l{i}" d={band} />{/each}
	{#each chart.lines as { name, path, labelY }, i (name)}
		<path class="line l{i}" d={path} />
		<text class="name l{i}" x={width - margin.right + 8} y={labelY + 4}>{name}</text>
	{/each}
</Drawing>

<style>
	.line {
		fill: none;
		stroke-width: 2.2;
		stroke: var(--own);
	}
	.band {
		fill: var(--own);
		opacity: 0.13;
	}
	.name {
		fill: var(--own);
		font-size: 12.5px;
	}
	.l0 {
		--own: var(--warn);
	}
	.l1 {
		--own: var(--sharp);
		stroke-dasharray: 7 4;
	}
	.l2 {
		--own: var(--flat);
		stroke-dasharray: 2 3;
	}
	.name {
		stroke-dasharray: none;
	}
</style>
