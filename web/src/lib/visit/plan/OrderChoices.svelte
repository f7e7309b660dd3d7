<script lang="ts">
	import {
		BEARING_ORDERS,
		BY_EAR,
		TEMPERAMENT_ORDERS,
		noteName,
		OUTWARDS,
		UNISON_ORDERS,
		USUAL_ORDER,
		type PlannedOrder
	} from '@fendrel/core';
	import { capital } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { BY_EAR_NAMES, OUTWARDS_NAMES, reachesOctave, UNISON_NAMES } from '../orderWords';

	let { open }: { open: KeyboardVisit } = $props();
	const order = $derived(open.record.report.plan?.order ?? USUAL_ORDER);
	const about = $derived(TEMPERAMENT_ORDERS.find(({ id }) => id === order.first)?.about ?? '');
	const isOutOfReach = $derived(
		BEARING_ORDERS.some(({ id }) => id === order.first) && !reachesOctave(order.octave, open.instrument)
	);
	/** Temperament octaves in use, as far as this keyboard has them, and the one that is chosen. */
	const octaves = $derived(
		[48, 50, 53, 55, 57, 60].filter(
			(low) => (low >= open.instrument.lowest && low + 12 <= open.instrument.highest) || low === order.octave
		)
	);
	interface Asked {
		readonly label: string;
		readonly value: string;
		readonly options: readonly (readonly [id: string, name: string])[];
		readonly take: (id: string) => Partial<PlannedOrder>;
	}
	const asked = $derived<readonly Asked[]>([
		{
			...{ label: 'Order of the first octave', value: order.first },
			options: TEMPERAMENT_ORDERS.map(({ id, name }) => [id, name]),
			take: (first) => ({ first })
		},
		{
			...{ label: 'First octave', value: String(order.octave) },
			options: octaves.map((low) => [String(low), `${noteName(low)} to ${noteName(low + 12)}`]),
			take: (low) => ({ octave: Number(low) })
		},
		{
			...{ label: 'Outwards', value: order.outwards },
			options: OUTWARDS.map((id) => [id, `Then ${OUTWARDS_NAMES[id]}`]),
			take: (id) => ({ outwards: id as PlannedOrder['outwards'] })
		},
		{
			...{ label: 'Unisons', value: order.unisons },
			options: UNISON_ORDERS.map((id) => [id, `Unisons: ${UNISON_NAMES[id]}`]),
			take: (id) => ({ unisons: id as PlannedOrder['unisons'] })
		},
		{
			...{ label: 'Eye and ear', value: order.byEar },
			options: BY_EAR.map((id) => [id, capital(BY_EAR_NAMES[id])]),
			take: (id) => ({ byEar: id as PlannedOrder['byEar'] })
		}
	]);
	const choose = (chosen: Partial<PlannedOrder>) => open.replan({ order: { ...order, ...chosen } });
</script>

<fieldset>
	<legend>Order of work</legend>
	<div class="order">
		{#each asked as { label, value, options, take } (label)}
			<select class="select" aria-label={label} {value} onchange={(event) => choose(take(event.currentTarget.value))}>
				{#each options as [id, name] (id)}<option value={id}>{name}</option>{/each}
			</select>
		{/each}
	</div>
	<p class="soft about">
		{#if isOutOfReach}This keyboard has not all of that octave, or no A4: it goes around the circle instead.
		{:else}{about}{/if}
	</p>
</fieldset>

<style>
	legend {
		font-weight: 600;
		margin-bottom: 0.2rem;
	}
	.order {
		display: grid;
		grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
		gap: 0.4rem;
	}
	.order select:nth-child(n + 3) {
		grid-column: 1 / -1;
	}
	.about {
		font-size: 0.9rem;
		line-height: 1.35;
		margin-top: 0.3rem;
	}
</style>
