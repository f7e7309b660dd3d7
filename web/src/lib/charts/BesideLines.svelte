<script lang="ts">
	import type { Compromise } from '@fendrel/core';
	import { signed } from '$lib/ui/format';
	import { besideLines } from './besideLines';
	import Drawing from './Drawing.svelte';
	import NoteAxis from './NoteAxis.svelte';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		notes: readonly Compromise[];
		first: string;
		second: string;
		height?: number;
	}
	let { notes, first, second, height = 280 }: Props = $props();
	let width = $state(700);
	const margin = { top: 24, right: 14, bottom: 26, left: 46 };
	const chart = $derived(besideLines(notes, { width, height, margin }));
</script>

<Drawing bind:width {height} label="Cents by note: apart now, what each moves by, what is left">
	<ValueAxis
		ticks={chart.ticks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => signed(value, 0)}
		zero
	/>
	<text class="unit" x="6" y="12">cents</text>
	<NoteAxis labels={chart.labels} y={height - 6} />
	<path d={chart.apart} class="apart" />
	<path d={chart.first} class="first" />
	<path d={chart.second} class="second" />
	<path d={chart.left} class="left" />
</Drawing>
<p class="key soft">
	<span><i class="apart"></i> apart now</span><span><i class="left"></i> left afterwards</span><span
		><i class="first"></i> {first} moves</span
	><span><i class="second"></i> {second} moves</span>
</p>

<style>
	path {
		fill: none;
		stroke-width: 2;
	}
	path.apart {
		stroke: var(--soft);
		stroke-dasharray: 5 4;
	}
	path.left {
		stroke: var(--felt);
		stroke-width: 3;
	}
	path.first {
		stroke: var(--sharp);
	}
	path.second {
		stroke: var(--flat);
	}
	.key {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 1.4rem;
	}
	.key span {
		display: inline-flex;
		align-items: center;
		gap: 0.45rem;
	}
	i {
		width: 22px;
		border-top: 3px solid var(--felt);
	}
	i.apart {
		border-top: 2px dashed var(--soft);
	}
	i.first {
		border-color: var(--sharp);
	}
	i.second {
		border-color: var(--flat);
	}
</style>
