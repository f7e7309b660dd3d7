<script lang="ts">
	import {
		BY_EAR,
		TEMPERAMENT_ORDERS,
		noteName,
		OUTWARDS,
		UNISON_ORDERS,
		USUAL_ORDER,
		type PlannedOrder
	} from '@fendrel/core';
	import { capital } from '$lib/ui/format';
	import type { OpenVisit } from '../openVisit.svelte';
	import { BY_EAR_NAMES, OUTWARDS_NAMES, UNISON_NAMES } from '../orderWords';

	let { open }: { open: OpenVisit } = $props();
	const order = $derived(open.record.report.plan?.order ?? USUAL_ORDER);
	const about = $derived(TEMPERAMENT_ORDERS.find(({ id }) => id === order.first)?.about ?? '');
	/** Temperament octaves in use: from C3 to C4, as far as this keyboard has them. */
	const octaves = $derived(
		[48, 50, 53, 55, 57, 60].filter((low) => low >= open.instrument.lowest && low + 12 <= open.instrument.highest)
	);
	const choose = (chosen: Partial<PlannedOrder>) => open.replan({ order: { ...order, ...chosen } });
</script>

<fieldset>
	<legend>Order of work</legend>
	<div class="order">
		<select
			class="select"
			aria-label="Order of the first octave"
			value={order.first}
			onchange={(event) => choose({ first: event.currentTarget.value })}
		>
			{#each TEMPERAMENT_ORDERS as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
		<select
			class="select"
			aria-label="First octave"
			value={order.octave}
			onchange={(event) => choose({ octave: Number(event.currentTarget.value) })}
		>
			{#each octaves as low (low)}<option value={low}>{noteName(low)} to {noteName(low + 12)}</option>{/each}
			{#if !octaves.includes(order.octave)}<option value={order.octave}
					>{noteName(order.octave)} to {noteName(order.octave + 12)}</option
				>{/if}
		</select>
		<select
			class="select"
			aria-label="Outwards"
			value={order.outwards}
			onchange={(event) => choose({ outwards: event.currentTarget.value as PlannedOrder['outwards'] })}
		>
			{#each OUTWARDS as id (id)}<option value={id}>Then {OUTWARDS_NAMES[id]}</option>{/each}
		</select>
		<select
			class="select"
			aria-label="Unisons"
			value={order.unisons}
			onchange={(event) => choose({ unisons: event.currentTarget.value as PlannedOrder['unisons'] })}
		>
			{#each UNISON_ORDERS as id (id)}<option value={id}>Unisons: {UNISON_NAMES[id]}</option>{/each}
		</select>
		<select
			class="select"
			aria-label="Eye and ear"
			value={order.byEar}
			onchange={(event) => choose({ byEar: event.currentTarget.value as PlannedOrder['byEar'] })}
		>
			{#each BY_EAR as id (id)}<option value={id}>{capital(BY_EAR_NAMES[id])}</option>{/each}
		</select>
	</div>
	<p class="soft about">{about}</p>
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
