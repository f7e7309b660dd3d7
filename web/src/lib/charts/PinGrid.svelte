<script lang="ts">
	import Drawing from './Drawing.svelte';
	import NoteAxis from './NoteAxis.svelte';
	import { pinGrid, type PinColumn } from './pinGrid';

	interface Props {
		columns: readonly PinColumn[];
		lowest: number;
		highest: number;
		height?: number;
	}
	let { columns, lowest, highest, height = 96 }: Props = $props();
	let width = $state(700);
	const margin = { top: 4, right: 14, bottom: 24, left: 46 };
	const chart = $derived(pinGrid(columns, lowest, highest, { width, height, margin }));
	const moved = $derived(columns.reduce((sum, { move }) => sum + move.length, 0));
	const all = $derived(columns.reduce((sum, { stay }) => sum + stay.length, moved));
</script>

<Drawing bind:width {height} label="Strings to move: {moved} of {all}">
	<NoteAxis labels={chart.labels} y={height - 6} />
	{#each chart.strings as { key, x, y, moves } (key)}
		<rect {x} {y} width={chart.size} height={chart.size} class:moves />
	{/each}
</Drawing>

<style>
	rect {
		fill: none;
		stroke: var(--faint);
	}
	rect.moves {
		fill: var(--sharp);
		stroke: var(--sharp);
	}
</style>
