<script lang="ts" module>
	/** What is marked on a string. */
	export interface LaneMark {
		readonly cents: number;
		readonly shape: 'dot' | 'ring' | 'bar' | 'square';
		readonly said: string;
	}
	export interface Lane {
		readonly id: number;
		readonly name: string;
		readonly marks: readonly LaneMark[];
		/** Of what it stands: it is to be within. */
		readonly isDue?: boolean;
		readonly isSet?: boolean;
	}
</script>

<script lang="ts">
	import { scaleLinear } from 'd3-scale';
	import { signed } from '$lib/ui/format';

	interface Props {
		/** Strings, the highest on top. */
		lanes: readonly Lane[];
		/** Cents at both ends. */
		range: readonly [number, number];
		/** What the cents are counted from. */
		axis: string;
		/** Within that of the middle a string is right, in cents. */
		within?: number;
		height?: number;
		label: string;
		onchoose?: (id: number) => void;
	}
	let { lanes, range, axis, within = 0, height = 250, label, onchoose }: Props = $props();
	let width = $state(700);
	const MARGIN = { left: 64, right: 20, top: 8, bottom: 34 } as const;
	const x = $derived(
		scaleLinear()
			.domain(range)
			.range([MARGIN.left, width - MARGIN.right])
			.clamp(true)
	);
	const step = $derived((height - MARGIN.top - MARGIN.bottom) / Math.max(1, lanes.length));
	const y = (i: number) => MARGIN.top + step * (i + 0.5);
	/** Strings grow thicker towards the bass. */
	const thick = (i: number) => 0.8 + (2.6 * i) / Math.max(1, lanes.length - 1);
	const saidOf = ({ name, marks, isSet }: Lane) =>
		`${name}: ${marks.map(({ said, cents }) => `${said} ${signed(cents)} cents`).join(', ') || 'not read'}${isSet ? ', set' : ''}`;
</script>

<div bind:clientWidth={width}>
	<svg {width} {height} role="group" aria-label={label}>
		{#if within}
			<rect
				class="within"
				x={x(-within)}
				width={x(within) - x(-within)}
				y={MARGIN.top}
				height={height - MARGIN.top - MARGIN.bottom}
			/>
		{/if}
		{#each x.ticks(9) as tick (tick)}
			<line class="tick" x1={x(tick)} x2={x(tick)} y1={MARGIN.top} y2={height - MARGIN.bottom} />
			<text class="axis" x={x(tick)} y={height - MARGIN.bottom + 15} text-anchor="middle">{signed(tick, 0)}</text>
		{/each}
		<line class="middle" x1={x(0)} x2={x(0)} y1={MARGIN.top} y2={height - MARGIN.bottom} />
		<text class="axis" x={width - MARGIN.right} y={height - 4} text-anchor="end">{axis}</text>
		{#each lanes as lane, i (lane.id)}
			<g
				role={onchoose ? 'button' : 'img'}
				aria-label={saidOf(lane)}
				class:due={lane.isDue}
				class:set={lane.isSet}
				onclick={() => onchoose?.(lane.id)}
			>
				<rect class="hit" x="0" y={y(i) - step / 2} {width} height={step} />
				<line class="string" x1={MARGIN.left} x2={width - MARGIN.right} y1={y(i)} y2={y(i)} stroke-width={thick(i)} />
				<text class="name" x={MARGIN.left - 12} y={y(i) + 5} text-anchor="end">{lane.name}</text>
				{#each lane.marks as { cents, shape, said } (said)}
					{@const at = x(cents)}
					{#if shape === 'dot' || shape === 'ring'}
						<circle class={shape} cx={at} cy={y(i)} r={lane.isDue ? 9 : 6.5} />
					{:else if shape === 'bar'}
						<line class="bar" x1={at} x2={at} y1={y(i) - 10} y2={y(i) + 10} />
					{:else}
						<rect class="square" x={at - 5} y={y(i) - 5} width="10" height="10" />
					{/if}
				{/each}
			</g>
		{/each}
	</svg>
</div>

<style>
	svg {
		display: block;
		width: 100%;
	}
	.within {
		fill: var(--felt-wash);
	}
	.tick {
		stroke: var(--line);
		stroke-dasharray: 2 4;
	}
	.middle {
		stroke: var(--felt);
		stroke-width: 2;
	}
	.hit {
		fill: transparent;
	}
	.string {
		stroke: var(--soft);
	}
	.axis {
		font-size: 12px;
		fill: var(--soft);
		font-variant-numeric: tabular-nums;
	}
	.name {
		font-size: 15px;
		font-family: var(--mono);
		fill: var(--ink);
	}
	.due .name {
		font-weight: 700;
	}
	.due .hit {
		fill: color-mix(in srgb, var(--felt) 8%, transparent);
	}
	.dot {
		fill: var(--ink);
	}
	.ring {
		fill: var(--ground);
		stroke: var(--ink);
		stroke-width: 2;
	}
	.set .dot {
		fill: var(--felt);
	}
	.bar {
		stroke: var(--sharp);
		stroke-width: 3.5;
	}
	.square {
		fill: var(--flat);
	}
	g[role='button'] {
		cursor: pointer;
	}
</style>
