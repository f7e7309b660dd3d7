<script lang="ts">
	import { A4, beatOf, FORK_TEST, hz, INTERVALS, nearestNote, noteName, type SettingStep } from '@fendrel/core';
	import CoincidenceLadder from '$lib/charts/CoincidenceLadder.svelte';
	import type { Plan } from '$lib/tuning/plan';
	import { fixed } from '$lib/ui/format';

	let { step, plan }: { step: SettingStep; plan: Plan } = $props();
	const isReference = $derived(step.note === A4 && step.against === undefined);
	const pair = $derived.by(() => {
		const { against, interval } = isReference ? { against: FORK_TEST, interval: INTERVALS.seventeenth } : step;
		if (against === undefined || !interval || !plan.targetOf(against)) return undefined;
		const [lowerNote, upperNote] = against < step.note ? [against, step.note] : [step.note, against];
		const lower = plan.targetOf(lowerNote)!.string;
		const upper = plan.targetOf(upperNote)!.string;
		const { rate, heardAt } = beatOf(lower, upper, interval);
		const key = nearestNote(heardAt, hz(plan.targetOf(69)?.pitch ?? 440)).note;
		return { lowerNote, upperNote, lower, upper, kind: interval, rate, heardAt, key };
	});
	/** Intervals that must agree with it. */
	const also = $derived(
		(step.also ?? []).map(({ against, interval }) => {
			const [lower, upper] = against < step.note ? [against, step.note] : [step.note, against];
			const { rate } = beatOf(plan.targetOf(lower)!.string, plan.targetOf(upper)!.string, interval);
			return { name: interval.name, lower, upper, rate };
		})
	);
	const size = $derived(pair ? Math.abs(pair.rate) : 0);
	const words = $derived(!pair ? '' : size < 0.05 ? 'still: no beat' : `beats/s, ${pair.rate < 0 ? 'narrow' : 'wide'}`);
</script>

<section>
	{#if pair}
		<h2 class="panel-heading">What to listen for: {noteName(pair.lowerNote)} with {noteName(pair.upperNote)}</h2>
		<p class="rate"><b>{fixed(size, 1)}</b> <span>{words}</span></p>
		<CoincidenceLadder tall={168} {...pair} heardAt="{noteName(pair.key)}, {fixed(pair.heardAt, 0)} Hz" />
		<p class="how">
			{#if isReference}
				Strike <b>{noteName(FORK_TEST)}</b> with your fork or tone, then with A4: both must beat at the same rate, about
				this fast when {noteName(FORK_TEST)} is near its place.
			{:else}
				Listen at <b>{noteName(pair.key)}</b>: partial {pair.kind.lowerPartial} of {noteName(pair.lowerNote)} meets partial
				{pair.kind.upperPartial} of {noteName(pair.upperNote)}. Hold both keys silently and strike {noteName(pair.key)} to
				bring it out.
			{/if}
		</p>
		{#if also.length}
			<p class="how">
				One alone misleads there: it must agree with
				{#each also as { name, lower, upper, rate }, i (upper)}{i ? ' and ' : ''}the {name}
					<b>{noteName(lower)}-{noteName(upper)}</b>, {Math.abs(rate) < 0.05
						? 'still'
						: `${fixed(Math.abs(rate), 1)} ${rate < 0 ? 'narrow' : 'wide'}`}{/each}.
			</p>
		{/if}
	{:else if step.section !== 'reference'}
		<h2 class="panel-heading">What to listen for</h2>
		<p class="how">
			Nothing that is set leads to {noteName(step.note)} by an interval that the ear counts. Set it by the figure, or from
			a fork.
		</p>
	{:else}
		<h2 class="panel-heading">What to listen for</h2>
		<p class="how">
			The reference: everything else is set from {noteName(step.note)}. Compare it with your fork or tone until nothing
			moves.
		</p>
	{/if}
</section>

<style>
	.rate b {
		font-family: var(--mono);
		font-weight: 600;
		font-size: 2.6rem;
		line-height: 1.2;
	}
	.rate span {
		color: var(--soft);
	}
	@media (max-width: 1100px) {
		section .how {
			font-size: 0.88rem;
		}
	}
	.how {
		font-size: 0.95rem;
		margin-top: 0.4rem;
		line-height: 1.4;
	}
</style>
