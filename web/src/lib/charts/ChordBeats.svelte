<script lang="ts" module>
	/** A chord, and how it beats: now, and with what is planned. */
	export interface ShownChord {
		readonly name: string;
		readonly now: number | undefined;
		readonly then: number;
		/** What beats most in it. */
		readonly worst: string;
	}
</script>

<script lang="ts">
	import { max } from 'd3-array';
	import { scaleLinear } from 'd3-scale';
	import { fixed } from '$lib/ui/format';

	let { chords, label }: { chords: readonly ShownChord[]; label: string } = $props();
	let width = $state(700);
	const ROW = 30;
	const FOOT = 34;
	const LEFT = 84;
	/** The worst pair is written behind the bars. */
	const RIGHT = 250;
	const height = $derived(chords.length * ROW + FOOT);
	const most = $derived(Math.max(1, max(chords, ({ now, then }) => Math.max(now ?? 0, then)) ?? 1));
	const x = $derived(
		scaleLinear()
			.domain([0, most])
			.nice(4)
			.range([LEFT, Math.max(LEFT + 60, width - RIGHT)])
	);
</script>

<div bind:clientWidth={width}>
	<svg {width} {height} role="group" aria-label={label}>
		{#each x.ticks(4) as tick (tick)}
			<line class="tick" x1={x(tick)} x2={x(tick)} y1="0" y2={height - FOOT} />
			<text class="axis" x={x(tick)} y={height - FOOT + 15} text-anchor="middle">{tick}</text>
		{/each}
		<text class="axis" x={x.range()[1]} y={height - 4} text-anchor="end">beats a second</text>
		{#each chords as { name, now, then, worst }, i (i)}
			{@const y = i * ROW}
			<g
				role="img"
				aria-label="{name}: {fixed(then, 1)} beats a second{now === undefined ? '' : `, now ${fixed(now, 1)}`}; {worst}"
			>
				<text class="name" x={LEFT - 10} y={y + ROW / 2 + 5} text-anchor="end">{name}</text>
				{#if now !== undefined}<rect class="now" x={LEFT} y={y + 5} width={x(now) - LEFT} height="20" />{/if}
				<rect class="then" x={LEFT} y={y + 10} width={Math.max(1, x(then) - LEFT)} height="10" />
				<text class="worst" x={x.range()[1] + 14} y={y + ROW / 2 + 5}>{fixed(then, 1)}; {worst}</text>
			</g>
		{/each}
	</svg>
</div>

<style>
	svg {
		display: block;
		width: 100%;
	}
	.tick {
		stroke: var(--line);
		stroke-dasharray: 2 4;
	}
	.axis,
	.worst {
		font-size: 12.5px;
		fill: var(--soft);
		font-variant-numeric: tabular-nums;
	}
	.name {
		font-size: 15px;
		fill: var(--ink);
	}
	.now {
		fill: none;
		stroke: var(--soft);
		stroke-dasharray: 3 2;
	}
	.then {
		fill: var(--felt);
	}
</style>
