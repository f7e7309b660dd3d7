<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { flatOrSharp, signed } from '$lib/ui/format';
	import { moves, type Move } from './moves';
	import ValueAxis from './ValueAxis.svelte';
	import Drawing from './Drawing.svelte';

	interface Props {
		records: readonly Move[];
		lowest: number;
		highest: number;
		/** The question that it answers, and what its marks are. */
		asks?: string;
		from?: string;
		to?: string;
		zero?: string;
	}
	let {
		records,
		lowest,
		highest,
		asks = 'What moved, and how far?',
		from = 'found',
		to = 'left',
		zero = 'target'
	}: Props = $props();
	let width = $state(700);
	let height = $state(300);
	const margin = { top: 14, right: 12, bottom: 28, left: 48 };
	const chart = $derived(moves(records, lowest, highest, { width, height, margin }));
	const said = $derived(
		records
			.map(
				({ note, found, left }) =>
					`${noteName(note)} ${from} ${flatOrSharp(found)}${left === undefined ? '' : `, ${to} ${flatOrSharp(left)}`}`
			)
			.join('; ')
	);
</script>

<figure>
	<figcaption>
		<b>{asks}</b> <span class="soft">cents from {zero}; ring: {from}, dot: {to}</span>
	</figcaption>
	<Drawing bind:width bind:height fills label="Moves by note. {said}">
		<ValueAxis
			ticks={chart.yTicks}
			from={margin.left}
			to={width - margin.right}
			label={(value) => signed(value, 0)}
			zero
		/>
		{#each chart.xTicks as { note, x } (note)}<text {x} y={height - 6} text-anchor="middle">{noteName(note)}</text
			>{/each}
		{#each chart.marks as { note, x, found, left } (note)}
			{#if left !== undefined}<line x1={x} x2={x} y1={found} y2={left} class="move" />{/if}
			<circle cx={x} cy={found} r="3" class="found" />
			{#if left !== undefined}<circle cx={x} cy={left} r="3" class="left" />{/if}
		{/each}
	</Drawing>
</figure>

<style>
	figure {
		display: flex;
		flex-direction: column;
		height: 100%;
		min-height: 300px;
	}
	figcaption {
		margin-bottom: 0.4rem;
	}
	.move {
		stroke: var(--felt);
		opacity: 0.55;
		stroke-width: 2;
	}
	.found {
		fill: var(--ground);
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.left {
		fill: var(--felt);
	}
</style>
