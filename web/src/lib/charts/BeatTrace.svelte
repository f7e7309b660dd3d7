<script lang="ts">
	import { beatTrace, TRACE_SECONDS } from './beatTrace';
	import Drawing from './Drawing.svelte';
	import { fixed } from '$lib/ui/format';

	interface Props {
		/** Beats per second, not signed. */
		rate: number;
		/** Seconds since the tones were in step; undefined while silent. */
		elapsed?: number;
	}
	let { rate, elapsed }: Props = $props();
	let width = $state(500);
	const height = 96;
	const margin = { top: 6, right: 12, bottom: 24, left: 12 };
	const trace = $derived(beatTrace(rate, { width, height, margin }));
	const head = $derived(elapsed === undefined || elapsed < 0 ? undefined : trace.x(elapsed % TRACE_SECONDS));
</script>

<Drawing bind:width {height} label="The beat over {TRACE_SECONDS} seconds: {fixed(rate * TRACE_SECONDS, 1)} swells">
	<path d={trace.path} />
	{#each trace.ticks as { value, x } (value)}
		<line x1={x} x2={x} y1={height - margin.bottom} y2={height - margin.bottom + 5} />
		<text {x} y={height - 5} text-anchor={value === 0 ? 'start' : value === TRACE_SECONDS ? 'end' : 'middle'}
			>{value} s</text
		>
	{/each}
	{#if head !== undefined}<line class="head" x1={head} x2={head} y1="0" y2={height - margin.bottom} />{/if}
</Drawing>

<style>
	path {
		fill: var(--felt-wash);
		stroke: var(--felt);
		stroke-width: 1.5;
	}
	line {
		stroke: var(--soft);
	}
	.head {
		stroke: var(--ink);
		stroke-width: 2;
	}
</style>
