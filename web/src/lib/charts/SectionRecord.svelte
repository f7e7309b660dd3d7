<script lang="ts">
	import { fixed, onShortDay, signed } from '$lib/ui/format';
	import Drawing from './Drawing.svelte';
	import { sectionRecord, type ExpectedPitch, type SectionVisit } from './sectionRecord';
	import ValueAxis from './ValueAxis.svelte';

	interface Props {
		visits: readonly SectionVisit[];
		/** Milliseconds since 1970. */
		now: number;
		height?: number;
		/** Where the whole is expected to stand. */
		ahead?: readonly ExpectedPitch[];
	}
	let { visits, now, height = 190, ahead = [] }: Props = $props();
	let width = $state(760);
	const margin = { top: 8, right: 62, bottom: 22, left: 46 };
	const chart = $derived(sectionRecord(visits, now, { width, height, margin }, ahead));
	const said = $derived(
		visits
			.map(
				({ at, sections }) =>
					`${onShortDay(new Date(at))}: ${sections
						.filter(({ found }) => found !== undefined)
						.map(({ id, found }) => `${id} ${signed(found!)}`)
						.join(', ')}`
			)
			.join('; ')
	);
	/** Names at the lines' ends, apart from each other. */
	const names = $derived.by(() => {
		let last = -Infinity;
		return chart.lines
			.filter(({ end }) => end)
			.sort((a, b) => a.end![1] - b.end![1])
			.map(({ id, end }) => {
				last = Math.max(end![1], last + 13);
				return { id, y: last + 4 };
			});
	});
</script>

<Drawing bind:width {height} label="How sections kept their pitch, in cents. {said}">
	<ValueAxis
		ticks={chart.yTicks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => signed(value, 0)}
		zero
	/>
	{#each chart.xTicks as { x, label } (x)}<text {x} y={height - 5} text-anchor="middle">{label}</text>{/each}
	{#if chart.expected}
		<path class="band" d={chart.expected.band} />
		<path class="expected" d={chart.expected.path} />
		<line class="today" x1={chart.expected.x} x2={chart.expected.x} y1={margin.top} y2={height - margin.bottom} />
		<text x={chart.expected.x + 4} y={margin.top + 10}>expected</text>
	{/if}
	{#each chart.lines as { id, path } (id)}<path d={path} class={id} />{/each}
	{#each names as { id, y } (id)}<text x={width - margin.right + 6} {y}>{id}</text>{/each}
	{#if chart.humidity}<path d={chart.humidity} class="humidity" />{/if}
	{#each chart.drops as { x, y } (x)}<circle cx={x} cy={y} r="2.5" class="drop" />{/each}
	{#each chart.drops as { x, y, humidity }, i (x)}
		{#if i === 0 || i === chart.drops.length - 1}<text
				x={i === 0 ? margin.left - 9 : x + 7}
				y={y + 4}
				text-anchor={i === 0 ? 'end' : 'start'}>{fixed(humidity, 0)} %</text
			>{/if}
	{/each}
</Drawing>

<style>
	path.band {
		fill: var(--ink);
		stroke: none;
		opacity: 0.12;
	}
	path.expected {
		stroke-dasharray: 5 4;
	}
	.today {
		stroke: var(--soft);
		stroke-dasharray: 2 3;
	}
	path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}
	.bass {
		stroke: var(--sharp);
		stroke-dasharray: 7 4;
	}
	.tenor {
		stroke: var(--ink);
	}
	.middle {
		stroke: var(--felt);
		stroke-dasharray: 9 3 2 3;
	}
	.treble {
		stroke: var(--flat);
		stroke-dasharray: 2 3;
	}
	.top {
		stroke: var(--faint);
	}
	.humidity {
		stroke: var(--soft);
		stroke-width: 1.25;
	}
	.drop {
		fill: var(--soft);
	}
</style>
