<script lang="ts">
	import { beatOf, hz, nearestNote, noteName, type SettingStep } from '@fendrel/core';
	import CoincidenceLadder from '$lib/charts/CoincidenceLadder.svelte';
	import type { Plan } from '$lib/visit/plan';

	let { step, plan }: { step: SettingStep; plan: Plan } = $props();
	const pair = $derived.by(() => {
		if (step.against === undefined || !step.interval) return undefined;
		const [lowerNote, upperNote] = step.against < step.note ? [step.against, step.note] : [step.note, step.against];
		const lower = plan.targetOf(lowerNote)!.string;
		const upper = plan.targetOf(upperNote)!.string;
		const { rate, heardAt } = beatOf(lower, upper, step.interval);
		const key = nearestNote(heardAt, hz(plan.targetOf(69)?.pitch ?? 440)).note;
		return { lowerNote, upperNote, lower, upper, kind: step.interval, rate, heardAt, key };
	});
	const size = $derived(pair ? Math.abs(pair.rate) : 0);
	const words = $derived(
		!pair
			? ''
			: size < 0.05
				? 'still: no beat'
				: `${size < 1 ? 'a second' : 'beats a second'}, ${pair.rate < 0 ? 'narrow' : 'wide'}`
	);
</script>

<section>
	{#if pair}
		<h2>What the ear hears: {noteName(pair.lowerNote)} with {noteName(pair.upperNote)}</h2>
		<p class="rate"><b>{size.toFixed(1)}</b> <span>{words}</span></p>
		<CoincidenceLadder {...pair} heardAt="{noteName(pair.key)}, {pair.heardAt.toFixed(0)} Hz" />
		<p class="how">
			Listen at <b>{noteName(pair.key)}</b>, the {pair.kind.name}'s lowest meeting. Hold both keys silently and strike {noteName(
				pair.key
			)}
			to bring it out.
		</p>
	{:else}
		<h2>What the ear hears</h2>
		<p class="how">
			The reference: everything else is set from {noteName(step.note)}. Compare it with your fork or tone until it
			stands still.
		</p>
	{/if}
</section>

<style>
	h2 {
		font-family: inherit;
		font-weight: 600;
		font-size: 0.9rem;
		color: var(--soft);
	}
	.rate b {
		font-family: var(--mono);
		font-weight: 600;
		font-size: 2.6rem;
		line-height: 1.2;
	}
	.rate span {
		color: var(--soft);
	}
	.how {
		font-size: 0.95rem;
		margin-top: 0.4rem;
		line-height: 1.4;
	}
</style>
