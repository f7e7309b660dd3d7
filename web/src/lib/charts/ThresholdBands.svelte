<script lang="ts">
	import Drawing from './Drawing.svelte';
	import { thresholdBands, type BandRow } from './thresholdBands';

	let { rows }: { rows: readonly BandRow[] } = $props();
	let width = $state(800);
	const margin = { top: 4, right: 12, bottom: 24, left: 118 };
	const height = $derived(rows.length * 26 + margin.top + margin.bottom);
	const chart = $derived(thresholdBands(rows, { width, height, margin }));
	const said = $derived(
		rows
			.map(
				({ name, touchUp, tune, correct }) =>
					`${name}: touch up to ${touchUp} cents, one tuning to ${tune}, a pass first to ${correct}`
			)
			.join('; ')
	);
</script>

<Drawing label="Work by cents off, {said}" bind:width {height}>
	{#each chart.rows as { id, name, y, height: tall, bands } (id)}
		<text x={margin.left - 10} y={y + tall / 2 + 4} text-anchor="end" class="name">{name}</text>
		{#each bands as { words, level, x, width: wide } (level)}
			<rect {x} {y} width={wide} height={tall} class="work{level}" />
			<text x={x + 6} y={y + tall / 2 + 4} class:last={level === 3}>{words}</text>
		{/each}
	{/each}
	{#each chart.ticks as { value, x } (value)}
		<text {x} y={height - 6} text-anchor="middle">{value}</text>
	{/each}
	<text x={margin.left - 10} y={height - 6} text-anchor="end">cents off</text>
</Drawing>

<style>
	.name {
		fill: var(--ink);
	}
	rect {
		stroke: var(--line);
	}
	.work0 {
		fill: var(--sheet);
	}
	.work1 {
		fill: var(--felt-wash);
	}
	.work2 {
		fill: color-mix(in srgb, var(--felt) 28%, var(--sheet));
	}
	.work3 {
		fill: color-mix(in srgb, var(--felt) 55%, var(--sheet));
	}
	.last,
	rect + text {
		fill: var(--ink);
	}
</style>
