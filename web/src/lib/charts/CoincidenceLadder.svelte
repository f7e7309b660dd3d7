<script lang="ts">
	import { noteName, type StiffString } from '@fendrel/core';
	import { coincidenceLadder, type Rung } from './coincidenceLadder';
	import Drawing from './Drawing.svelte';

	interface Props {
		lowerNote: number;
		upperNote: number;
		lower: StiffString;
		upper: StiffString;
		kind: Rung;
		/** Where the beat is heard, such as "A5, 881 Hz". */
		heardAt: string;
		/** Further rungs, drawn fainter. */
		others?: readonly Rung[];
		/** Pixels; a small one fits beside the live figure. */
		tall?: number;
	}
	let { lowerNote, upperNote, lower, upper, kind, heardAt, others = [], tall }: Props = $props();
	let width = $state(260);
	const height = $derived(tall ?? (width < 240 ? 150 : 190));
	const ladder = $derived(coincidenceLadder(lower, upper, kind, { width, height }, others));
</script>

<Drawing
	bind:width
	{height}
	label="Partial {kind.lowerPartial} of {noteName(lowerNote)} meets partial {kind.upperPartial} of {noteName(
		upperNote
	)} at {heardAt}"
>
	{#each [{ x: ladder.left, partials: ladder.lower, note: lowerNote, lit: kind.lowerPartial, side: -1 }, { x: ladder.right, partials: ladder.upper, note: upperNote, lit: kind.upperPartial, side: 1 }] as upright (upright.side)}
		<line x1={upright.x} x2={upright.x} y1="8" y2={ladder.bottom} class="upright" />
		{#each upright.partials as { partial, y } (partial)}
			{#if partial !== upright.lit}<circle cx={upright.x} cy={y} r="4.5" class="partial" />{/if}
			<text x={upright.x + upright.side * 16} y={y + 4} text-anchor="middle" class:lit={partial === upright.lit}
				>{partial}</text
			>
		{/each}
		<text x={upright.x} y={height - 6} text-anchor="middle" class="note">{noteName(upright.note)}</text>
	{/each}
	{#each ladder.others as { lowerPartial, upperPartial, y1, y2 } (100 * lowerPartial + upperPartial)}
		<line x1={ladder.left} x2={ladder.right} {y1} {y2} class="other" />
	{/each}
	<line x1={ladder.left} x2={ladder.right} y1={ladder.rung.y1} y2={ladder.rung.y2} class="rung" />
	<circle cx={ladder.left} cy={ladder.rung.y1} r="7" class="end" />
	<circle cx={ladder.right} cy={ladder.rung.y2} r="7" class="end" />
	<text x={width / 2} y={Math.min(ladder.rung.y1, ladder.rung.y2) - 10} text-anchor="middle" class="note"
		>{heardAt}</text
	>
</Drawing>

<style>
	.upright {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.partial {
		fill: var(--ink);
	}
	.rung {
		stroke: var(--felt);
		stroke-width: 4;
	}
	.other {
		stroke: var(--faint);
		stroke-width: 1.5;
	}
	.end {
		fill: var(--felt);
	}
	.lit,
	.note {
		fill: var(--ink);
		font-weight: 700;
	}
	.note {
		font-family: inherit;
		font-size: 14px;
	}
</style>
