<script lang="ts">
	import { noteName, type BearingPlan, type Ear } from '@fendrel/core';
	import EarChoice from '$lib/tuning/EarChoice.svelte';
	import type { EarName, PRACTISED } from '$lib/tuning/ears';
	import { ask } from '$lib/ui/address';
	import { RUNS, type Comparison } from './comparison.svelte';
	import StepList from './StepList.svelte';
	import { grouped } from '$lib/ui/format';

	let {
		plan,
		current,
		ear,
		mine,
		errors,
		onchoose
	}: {
		plan: BearingPlan;
		current: number;
		ear: EarName | typeof PRACTISED;
		/** The ear as practised, where one has been taken over. */
		mine: Ear | undefined;
		errors: Comparison['errors'];
		onchoose: (step: number) => void;
	} = $props();
</script>

<section>
	<div class="head">
		<h2 class="panel-heading">
			In which order, and how sure? <span>± what this ear accumulates over {grouped(RUNS)} simulated tunings</span>
		</h2>
		<EarChoice {ear} {mine} label="Ear" onchoose={(ear) => ask({ ear })} />
	</div>
	<StepList steps={plan.steps} {current} errors={errors?.notes.map(({ error }) => error)} {onchoose} />
	{#if plan.unreached.length}
		<p class="notice">
			No countable interval leads to {plan.unreached.map(noteName).join(', ')} here: set
			{plan.unreached.length === 1 ? 'it' : 'them'} by octaves.
		</p>
	{/if}
</section>

<style>
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
		align-items: center;
		justify-content: space-between;
	}
	h2 {
		flex: 1;
		min-width: 12rem;
	}
	@media print {
		.head :global(select) {
			display: none;
		}
	}
</style>
