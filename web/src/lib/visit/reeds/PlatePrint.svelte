<script lang="ts">
	import { PLATES } from '@fendrel/core';
	import { signed } from '$lib/ui/format';
	import type { ReedState, ReedVisit } from '../reedVisit.svelte';

	let { open }: { open: ReedVisit } = $props();
	const { reeds, body } = $derived(open);
	const HEIGHT = 30;
	const EDGE = 6;
	/** What is said of a reed on its plate: the cents that it is to go. */
	const moveOf = ({ off }: ReedState) => (off === undefined ? '' : signed(-off, 1));
	const plates = $derived(
		PLATES.flatMap((plate) => {
			const own = reeds.filter((reed) => reed.plate === plate && reed.role === 'own');
			const holes = [...own].sort((a, b) => (plate === 'blow' ? a.hole - b.hole : b.hole - a.hole));
			return own.length ? [{ plate, holes, width: own.length * body.spacing + 2 * EDGE }] : [];
		})
	);
</script>

{#each plates as { plate, holes, width } (plate)}
	<h2>{plate === 'blow' ? 'Blow plate' : 'Draw plate, turned over'}</h2>
	<svg
		width="{width}mm"
		height="{HEIGHT}mm"
		viewBox="0 0 {width} {HEIGHT}"
		role="img"
		aria-label="{plate === 'blow' ? 'Blow' : 'Draw'} plate at its size, {body.spacing} mm from hole to hole"
	>
		<rect x="0.2" y="0.2" width={width - 0.4} height={HEIGHT - 0.4} rx="1" />
		{#each holes as reed, i (reed.group)}
			{@const x = EDGE + (i + 0.5) * body.spacing}
			<text {x} y="4" class="hole">{reed.hole}</text>
			<line x1={x} x2={x} y1="6" y2="20" />
			<circle cx={x} cy={plate === 'blow' ? 6.5 : 19.5} r="0.7" />
			<text {x} y="24">{reed.noteName} {reed.degree}</text>
			<text {x} y="28" class="move">{moveOf(reed)}</text>
		{/each}
	</svg>
{/each}
<p class="ruler">
	<svg width="52mm" height="6mm" viewBox="0 0 52 6" role="img" aria-label="Fifty millimetres"
		><line x1="1" x2="51" y1="3" y2="3" /><line x1="1" x2="1" y1="1" y2="5" /><line
			x1="51"
			x2="51"
			y1="1"
			y2="5"
		/></svg
	>
	These are fifty millimetres: print without scaling. Figures are the cents that each reed is to go.
</p>

<style>
	rect {
		fill: none;
		stroke: currentColor;
		stroke-width: 0.25;
	}
	line {
		stroke: currentColor;
		stroke-width: 0.3;
	}
	text {
		font-size: 2.1px;
		text-anchor: middle;
		fill: currentColor;
	}
	.hole {
		font-size: 2.6px;
		font-weight: 700;
	}
	.move {
		font-size: 2.5px;
		font-weight: 700;
	}
	.ruler {
		display: flex;
		align-items: center;
		gap: 0.6rem;
	}
</style>
