<script lang="ts">
	import {
		centsBetween,
		hz,
		leftBySection,
		priceCurve,
		pitchPrice,
		RAISE_ORDERS,
		RAISE_SCHOOLS,
		type PlannedPass
	} from '@fendrel/core';
	import PassChart from '$lib/charts/PassChart.svelte';
	import PinGrid from '$lib/charts/PinGrid.svelte';
	import PriceChart from '$lib/charts/PriceChart.svelte';
	import { counted, inHz, signed } from '$lib/ui/format';
	import type { OpenVisit } from '../openVisit.svelte';
	import { asksForRaise, type Judgement, type RaiseChoice } from './judgement';
	import { shifted } from './verdictWords';

	interface Props {
		open: OpenVisit;
		judgement: Judgement;
		passes: readonly PlannedPass[];
		raise: RaiseChoice;
		/** The pitch that is looked at. */
		looked: number;
		onraise: (raise: RaiseChoice) => void;
		onlook: (a4: number) => void;
	}
	let { open, judgement, passes, raise, looked, onraise, onlook }: Props = $props();
	const { visit, instrument } = $derived(open);
	const { notes, near, least, fewest } = $derived(judgement);

	/** As far as anybody would think of, about where it stands and where it is planned. */
	const BEYOND = 15;
	const ends = $derived([Math.min(0, least.shift) - BEYOND, Math.max(0, least.shift) + BEYOND] as const);
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
		range: [shifted(visit.a4, least.low), shifted(visit.a4, least.high)] as const
	});
	const price = $derived(pitchPrice(notes, centsBetween(hz(visit.a4), hz(looked)), near.tolerance));
	const moves = $derived(asksForRaise(judgement.verdict));
	const bars = $derived(
		(passes[0]?.points ?? []).map(({ note, over, left, boundBy }) => ({
			note,
			over,
			left,
			isHeld: boundBy !== undefined
		}))
	);
	const up = $derived(judgement.verdict.way === 'up');
</script>

<div class="pictures">
	<section aria-label="Pitch">
		<h2><b>What does each A4 cost?</b> <span>strings to move; dashed: how far on average</span></h2>
		<PriceChart {data} chosen={looked} onchoose={onlook} />
		<p class="line">
			<span
				>At <b class="mono">{inHz(looked)} Hz</b>
				<b class="mono">{price.strings}</b> of {judgement.pins.all} strings move, {price.mean.toFixed(1)} cents on average,
				{price.most.toFixed(0)} at most.</span
			>
			{#if looked !== visit.a4}
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => open.replan({ a4: looked })}
					>Plan for {inHz(looked)} Hz</button
				>
			{/if}
		</p>
	</section>
	{#if moves}
		<section aria-label="First pass">
			<h2>
				<b>How far {up ? 'above' : 'below'} target in the first pass?</b>
				<span>cents; dots: where it settles{passes[0]?.held ? '; open: held back' : ''}</span>
			</h2>
			<PassChart {bars} lowest={instrument.lowest} highest={instrument.highest} height={108} />
			<div class="how">
				<label
					>By
					<select
						class="select"
						value={raise.school}
						onchange={(event) => onraise({ ...raise, school: event.currentTarget.value as RaiseChoice['school'] })}
					>
						{#each RAISE_SCHOOLS as { id, name } (id)}<option value={id}>{name}</option>{/each}
					</select></label
				>
				<label
					>Order
					<select
						class="select"
						value={raise.order}
						onchange={(event) => onraise({ ...raise, order: event.currentTarget.value as RaiseChoice['order'] })}
					>
						{#each RAISE_ORDERS as { id, name } (id)}<option value={id}>{name}</option>{/each}
					</select></label
				>
				<label
					>At most
					<select
						class="select"
						value={String(raise.cap)}
						onchange={(event) => onraise({ ...raise, cap: Number(event.currentTarget.value) })}
					>
						{#each [10, 15, 20, 25, 30] as cap (cap)}<option value={String(cap)}>{cap} cents over</option>{/each}
					</select></label
				>
			</div>
			<table class="mono">
				<thead
					><tr
						><th>Cents from target</th>{#each judgement.state.sections as { id } (id)}<th>{id}</th>{/each}</tr
					></thead
				>
				<tbody>
					<tr
						><th>found</th>{#each judgement.state.sections as { id, level } (id)}<td>{signed(level)}</td>{/each}</tr
					>
					{#each passes as { points, held }, i (i)}
						<tr
							><th>after pass {i + 1}{held ? `, ${counted(held, 'note')} held` : ''}</th
							>{#each leftBySection(points, judgement.state.sections) as { id, left } (id)}<td>{signed(left)}</td
								>{/each}</tr
						>
					{/each}
				</tbody>
			</table>
		</section>
	{:else}
		<section aria-label="Pins">
			<h2>
				<b>Which strings move?</b>
				<span
					>{judgement.pins.moved} of {judgement.pins.all}; filled: to be moved. Within {near.tolerance} cents and
					{near.unison} beats a second they stay</span
				>
			</h2>
			<PinGrid columns={judgement.pins.notes} lowest={instrument.lowest} highest={instrument.highest} />
		</section>
	{/if}
</div>

<style>
	.pictures {
		display: grid;
		gap: 0.5rem;
		align-content: start;
	}
	.line {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 1rem;
		min-height: 2.2rem;
	}
	.how {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		align-items: center;
		margin: 0.25rem 0 0.5rem;
	}
	.how label {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		color: var(--soft);
	}
	.how select {
		width: auto;
		min-height: 44px;
		color: var(--ink);
	}
	table {
		width: 100%;
		font-size: 0.9rem;
		border-collapse: collapse;
	}
	th {
		font-weight: 400;
		color: var(--soft);
		text-align: left;
	}
	thead th:not(:first-child),
	td {
		text-align: right;
	}
	tbody tr {
		border-top: 1px solid var(--line);
	}
	th,
	td {
		padding: 0.2rem 0.3rem 0.2rem 0;
	}
</style>
