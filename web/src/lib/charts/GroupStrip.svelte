<script lang="ts">
	import { scaleLinear } from 'd3-scale';
	import type { Snippet } from 'svelte';
	import { signed } from '$lib/ui/format';

	/** A group as a column: how far off, in what state, and what it is called. */
	interface Column {
		readonly group: number;
		readonly off: number | undefined;
		readonly state: 'known' | 'unread' | 'read' | 'set';
		/** Beneath it, where there is room, and for who cannot see it. */
		readonly short: string;
		readonly said: string;
	}
	interface Props {
		columns: readonly Column[];
		/** What the columns are. */
		heading: string;
		/** All of them, for who cannot see them: "All reeds". */
		label: string;
		current?: number;
		onselect?: (group: number) => void;
		hint?: Snippet;
	}
	let { columns, heading, label, current, onselect, hint }: Props = $props();
	const HEIGHT = 74;
	const MIDDLE = 30;
	/** Cents that fill a column. */
	const MOST = 15;
	let width = $state(1200);
	const cell = $derived(width / Math.max(1, columns.length));
	const y = scaleLinear()
		.domain([-MOST, MOST])
		.range([MIDDLE + 26, MIDDLE - 26])
		.clamp(true);
	const saidOf = ({ said, off, state }: Column) =>
		`${said}: ${off === undefined ? 'not read' : `${signed(off)} cents`}${state === 'set' ? ', set' : ''}`;
</script>

<div class="strip">
	<p class="heading">
		<span class="soft">{heading}</span>
		{@render hint?.()}
	</p>
	<div bind:clientWidth={width}>
		<svg height={HEIGHT} role="group" aria-label={label}>
			<line x1="0" x2={width} y1={MIDDLE} y2={MIDDLE} />
			{#each columns as column, i (column.group)}
				{@const x = i * cell}
				<g
					class={column.state}
					class:due={column.group === current}
					role={onselect ? 'button' : 'img'}
					aria-label={saidOf(column)}
					onclick={() => onselect?.(column.group)}
				>
					<rect class="cell" x={x + 1} y="2" width={Math.max(1, cell - 2)} height={2 * (MIDDLE - 2)} />
					{#if column.off !== undefined}
						<rect
							class="bar {column.off > 0 ? 'sharp' : 'flat'}"
							x={x + cell * 0.3}
							y={Math.min(MIDDLE, y(column.off))}
							width={cell * 0.4}
							height={Math.max(1.5, Math.abs(y(column.off) - MIDDLE))}
						/>
					{/if}
					{#if cell > 18}<text x={x + cell / 2} y={HEIGHT - 3} text-anchor="middle">{column.short}</text>{/if}
				</g>
			{/each}
		</svg>
	</div>
</div>

<style>
	.strip {
		border-top: 1px solid var(--line);
		padding: 0.3rem 1.5rem 0.4rem;
	}
	.heading {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		font-size: 0.85rem;
	}
	svg {
		display: block;
		width: 100%;
	}
	line {
		stroke: var(--felt);
	}
	text {
		font-size: 12px;
		font-family: var(--mono);
		fill: var(--soft);
	}
	.cell {
		fill: transparent;
		stroke: var(--line);
	}
	.unread .cell {
		stroke-dasharray: 3 3;
	}
	.set .cell {
		fill: var(--felt-wash);
	}
	.due .cell {
		stroke: var(--ink);
		stroke-width: 2.5;
	}
	g[role='button'] {
		cursor: pointer;
	}
	.bar.sharp {
		fill: var(--sharp);
	}
	.bar.flat {
		fill: var(--flat);
	}
</style>
