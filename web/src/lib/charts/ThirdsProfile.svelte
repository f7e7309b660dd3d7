<script lang="ts">
	import { noteClassName } from '@fendrel/core';
	import { thirdsProfile, type ThirdsSeries } from './thirdsProfile';
	import Drawing from './Drawing.svelte';
	import { fixed } from '$lib/ui/format';

	interface Props {
		series: readonly ThirdsSeries[];
		height?: number;
		/** A picture for a table's cell: the line alone. */
		small?: boolean;
	}
	let { series, height = 230, small = false }: Props = $props();
	let width = $state(120);
	/** Pixels that a size needs above its tread. */
	const ROOM_FOR_SIZE = 27;
	const margin = $derived(
		small ? { top: 2, right: 0, bottom: 2, left: 0 } : { top: 14, right: 112, bottom: 28, left: 10 }
	);
	const chart = $derived(thirdsProfile(series, { width, height, margin }));
	const said = $derived(
		series
			.map(
				({ name, sizes }) =>
					`${name}: ${sizes.map((size, i) => `${noteClassName((7 * i) % 12)} ${fixed(size, 1)}`).join(', ')}`
			)
			.join('; ')
	);
</script>

<Drawing bind:width {height} label="Sizes of the major thirds in cents, around the circle of fifths. {said}">
	{#each chart.landmarks as { name, cents, y } (name)}
		<line x1={margin.left} x2={width - margin.right} y1={y} y2={y} class={name} />
		{#if !small}
			<text x={width - margin.right + 8} y={y + 4}>{name} {fixed(cents, 0)}</text>
		{/if}
	{/each}
	{#each chart.paths as { name, d }, i (name)}
		<path {d} class="series s{i}" class:small />
	{/each}
	{#if !small}
		{#each chart.places as { x, note } (note)}
			<text x={x + chart.step / 2} y={height - 8} text-anchor="middle" class="note">{noteClassName(note)}</text>
		{/each}
		{#if series.length === 1 && chart.step > ROOM_FOR_SIZE}
			{#each chart.paths[0].treads as { size, x, y } (x)}
				<text x={x + chart.step / 2} y={y - 7} text-anchor="middle" class="size">{fixed(size, 0)}</text>
			{/each}
		{/if}
	{/if}
</Drawing>

<style>
	line {
		stroke: var(--line);
	}
	line.equal {
		stroke: var(--faint);
		stroke-dasharray: 4 4;
	}
	text {
		font-family: inherit;
		font-size: 12.5px;
		fill: var(--soft);
	}
	.size {
		font-family: var(--mono);
		fill: var(--ink);
	}
	.note {
		font-size: 14px;
		fill: var(--ink);
	}
	.series {
		fill: none;
		stroke-width: 3;
		stroke-linejoin: round;
	}
	.small {
		stroke-width: 2;
	}
	.s0 {
		stroke: var(--felt);
	}
	.s1 {
		stroke: var(--sharp);
		stroke-dasharray: 9 4;
	}
	.s2 {
		stroke: var(--flat);
		stroke-dasharray: 2.5 4;
	}
</style>
