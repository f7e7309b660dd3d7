<script lang="ts">
	import {
		A4_PRESETS,
		centsBetween,
		hz,
		leastMovement,
		pitchLoad,
		pitchPrice,
		priceCurve,
		noteName
	} from '@fendrel/core';
	import PriceChart from '$lib/charts/PriceChart.svelte';
	import { fixed, inHz, signed } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { Judgement } from './judgement';
	import { shifted } from './verdictWords';

	interface Props {
		open: KeyboardVisit;
		judgement: Judgement;
		/** The pitch that is looked at. */
		looked: number;
		onlook: (a4: number) => void;
	}
	let { open, judgement, looked, onlook }: Props = $props();
	const { visit, instrument, about, plan } = $derived(open);
	const { notes, near, least, fewest, state } = $derived(judgement);

	/** As far as anybody would think of, about where it stands and where it is planned. */
	const BEYOND = 15;
	const ends = $derived([Math.min(0, least.shift) - BEYOND, Math.max(0, least.shift) + BEYOND] as const);
	const within = (a4: number) => a4 >= shifted(visit.a4, ends[0]) && a4 <= shifted(visit.a4, ends[1]);
	const squares = $derived(
		leastMovement(
			notes.filter(({ note }) => state.notes.some((each) => each.note === note)),
			notes.length,
			'squares'
		)
	);
	const data = $derived({
		points: priceCurve(notes, ends[0], ends[1], near.tolerance).map(({ shift, strings, mean }) => ({
			...{ a4: shifted(visit.a4, shift), strings, mean }
		})),
		all: judgement.pins.all,
		marks: [
			{ id: 'planned', a4: visit.a4, words: `planned ${inHz(visit.a4)}: ${judgement.price.strings} strings` },
			{
				id: 'least',
				a4: shifted(visit.a4, least.shift),
				words: `least movement ${inHz(shifted(visit.a4, least.shift))}`
			},
			...(Math.abs(fewest.shift - least.shift) > 0.4
				? [{ id: 'fewest', a4: shifted(visit.a4, fewest.shift), words: `fewest pins: ${fewest.strings}` }]
				: [])
		],
		known: [
			...A4_PRESETS.map((a4) => ({ id: `standard ${a4}`, a4, words: 'standard' })),
			...(about.house ? [{ id: 'house', a4: about.house, words: 'the house' }] : []),
			{ id: 'stands', a4: shifted(visit.a4, state.level), words: 'stands' },
			{ id: 'squares', a4: shifted(visit.a4, squares.shift), words: 'its mean' }
		].filter(({ a4 }) => within(a4)),
		range: [shifted(visit.a4, least.low), shifted(visit.a4, least.high)] as const
	});
	const shift = $derived(centsBetween(hz(visit.a4), hz(looked)));
	const price = $derived(pitchPrice(notes, shift, near.tolerance));
	const wires = $derived(new Map((about.wires ?? []).map(({ note, data: wire }) => [note, wire])));
	const load = $derived(
		pitchLoad(
			notes,
			shift,
			(note) => hz(plan.targetOf(note)!.pitch),
			(note) => wires.get(note)
		)
	);
	/** From here on below the usual pitch somebody may only want a calmer sound. */
	const LOW = -12;
	const isLow = $derived(centsBetween(hz(instrument.usualA4), hz(looked)) <= LOW);
</script>

<section aria-label="Pitch">
	<h2><b>What does each A4 cost?</b> <span>strings to move; dashed: how far on average</span></h2>
	<PriceChart {data} chosen={looked} onchoose={onlook} />
	<p class="line">
		<span
			>At <b class="mono">{inHz(looked)} Hz</b>,
			<b class="mono">{price.strings}</b> of {judgement.pins.all} strings move: {fixed(price.mean, 1)} cents on average,
			{fixed(price.most, 0)} at most. Load {signed(100 * load.change)}&nbsp;%{load.highest
				? `; highest share of breaking ${fixed(100 * load.highest.share, 0)} % at ${noteName(load.highest.note)}`
				: ''}.</span
		>
		{#if looked !== visit.a4}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => open.replan({ a4: looked })}
				>Plan for {inHz(looked)} Hz</button
			>
		{/if}
	</p>
	{#if isLow}
		<!-- Seldom wanted: it comes with the wish. -->
		{#await import('./CalmerSound.svelte') then { default: CalmerSound }}
			<CalmerSound {open} low={looked} />
		{:catch}<p class="problem" role="alert">What is to be heard could not be loaded. Reload the page.</p>{/await}
	{/if}
</section>

<style>
	.line {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 1rem;
		min-height: 2.2rem;
	}
	.line .btn {
		flex: none;
	}
</style>
