<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { signed } from '$lib/ui/format';
	import Drawing from './Drawing.svelte';
	import NoteAxis from './NoteAxis.svelte';
	import { passChart, type PassBar } from './passChart';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		bars: readonly PassBar[];
		lowest: number;
		highest: number;
		height?: number;
	}
	let { bars, lowest, highest, height = 170 }: Props = $props();
	let width = $state(700);
	const margin = { top: 8, right: 14, bottom: 24, left: 46 };
	const chart = $derived(passChart(bars, lowest, highest, { width, height, margin }));
	const said = $derived(
		bars.filter(({ note }) => note % 12 === 0).map(({ note, over }) => `${noteName(note)} ${signed(over)}`)
	);
</script>

<Drawing bind:width {height} label="Set points of the pass, in cents from target. {said.join(', ')}">
	<ValueAxis
		ticks={chart.ticks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => signed(value, 0)}
		zero
	/>
	<NoteAxis labels={chart.labels} y={height - 6} />
	{#each chart.bars as { note, x, y, width, height, isHeld, over } (note)}
		<rect {x} {y} {width} {height} class:held={isHeld} class:below={over < 0} />
	{/each}
	{#each chart.bars as { note, middle, left } (note)}<circle cx={middle} cy={left} r="2" />{/each}
</Drawing>

<style>
	rect {
		fill: var(--sharp);
	}
	rect.below {
		fill: var(--flat);
	}
	rect.held {
		fill: none;
		stroke: var(--sharp);
		stroke-width: 1.5;
	}
	circle {
		fill: var(--ink);
	}
</style>
