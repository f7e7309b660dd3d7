<script lang="ts">
	import type { Stability } from '@fendrel/core';
	import { fixed, flatOrSharp, signed } from '$lib/ui/format';
	import { SETTLE_SECONDS, settleChart, type SettleCurve } from './settleChart';
	import ValueAxis from './ValueAxis.svelte';
	import Drawing from './Drawing.svelte';

	interface Props {
		strikes: readonly SettleCurve[];
		tolerance: number;
		/** Seconds after the strike at which the string is read. */
		moment: number;
		/** Partial that is listened to; 0: all together. */
		partial: number;
		/** How the string moves from strike to strike. */
		stability: Stability | undefined;
	}
	let { strikes, tolerance, moment, partial, stability }: Props = $props();
	let width = $state(640);
	let height = $state(360);
	const margin = { top: 28, right: 20, bottom: 34, left: 52 };
	const chart = $derived(settleChart(strikes, tolerance, moment, { width, height, margin }));
	const newest = $derived(strikes.length - 1);
	const said = $derived(
		strikes.length === 0
			? 'No strike yet.'
			: strikes
					.map(({ figure }, i) => `Strike ${i + 1}: ${figure === undefined ? 'not read' : flatOrSharp(figure)}`)
					.join('; ')
	);
	/** Two strikes can always be joined by a line: from three on a drift is one. */
	const drift = $derived.by(() => {
		if (!stability || stability.error === undefined) return undefined;
		const still = Math.abs(stability.drift) < Math.max(0.1, 2 * stability.error);
		const over = `over the last ${stability.strikes}`;
		const error = `±${fixed(Math.max(0.1, stability.error), 1)}`;
		return still
			? `Stands still, ${error} cents a blow ${over}`
			: `Moves ${signed(stability.drift)} ${error} cents a blow ${over}`;
	});
	const tone = (cents: number | undefined) =>
		cents === undefined || Math.abs(cents) <= tolerance / 2
			? 'var(--felt)'
			: cents < 0
				? 'var(--flat)'
				: 'var(--sharp)';
	const toneOf = (strike: SettleCurve) => tone(strike.figure ?? strike.curve.at(-1)?.cents);
</script>

<Drawing
	bind:width
	bind:height
	fills
	label="Does the string settle and hold? Cents from target over seconds since the strike. {said}"
>
	{#each [{ ...chart.lane, kind: 'lane' }, { ...chart.aim, kind: 'aim' }] as { y, height, kind } (kind)}
		<rect x={margin.left} width={Math.max(0, width - margin.left - margin.right)} {y} {height} class={kind} />
	{/each}
	<ValueAxis
		ticks={chart.yTicks}
		from={margin.left}
		to={width - margin.right}
		label={(value) => signed(value, Number.isInteger(value) ? 0 : 1)}
	/>
	{#each chart.xTicks as { value, x } (value)}
		<text {x} y={height - 10} text-anchor={value === SETTLE_SECONDS ? 'end' : 'middle'}
			>{value}{value === SETTLE_SECONDS ? ' s' : ''}</text
		>
	{/each}
	<text x={margin.left - 10} y="13" text-anchor="end" class="unit">cents</text>
	<line x1={margin.left} x2={width - margin.right} y1={chart.zero} y2={chart.zero} class="target" />
	<line x1={chart.moment} x2={chart.moment} y1={margin.top} y2={height - margin.bottom} class="moment" />
	<text x={chart.moment + 7} y={margin.top + 6} class="unit">read here{partial > 0 ? `, partial ${partial}` : ''}</text>
	{#if drift}<text x={width - margin.right} y="13" text-anchor="end" class="unit">{drift}</text>{/if}
	{#each chart.curves as { path, end, figure }, i (i)}
		{@const age = newest - i}
		<g style="opacity: {age === 0 ? 1 : Math.max(0.2, 0.6 - 0.1 * age)}">
			<path
				d={path}
				style="stroke: {age === 0 ? toneOf(strikes[i]) : 'var(--ink)'}; stroke-width: {age === 0 ? 3 : 1.5}"
			/>
			{#if age === 0 && end}<circle cx={end.x} cy={end.y} r="6" style="fill: {toneOf(strikes[i])}" />{/if}
			{#if figure}<path d="M{figure.x - 5} {figure.y}h10M{figure.x} {figure.y - 5}v10" class="figure" />{/if}
		</g>
	{/each}
</Drawing>

<style>
	.unit {
		font-family: inherit;
		font-size: 13px;
	}
	.lane {
		fill: var(--felt-wash);
		opacity: 0.45;
	}
	.aim {
		fill: var(--felt-wash);
	}
	.target {
		stroke: var(--felt);
		stroke-width: 2;
	}
	.moment {
		stroke: var(--soft);
		stroke-dasharray: 1 5;
		stroke-linecap: round;
		stroke-width: 2;
	}
	path {
		fill: none;
		stroke-linejoin: round;
		stroke-linecap: round;
	}
	.figure {
		stroke: var(--ink);
		stroke-width: 1.5;
	}
</style>
