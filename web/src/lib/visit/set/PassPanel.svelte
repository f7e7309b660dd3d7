<script lang="ts">
	import { breakOf, LEFT_FOR_TUNING, leftBySection, noteName, sectionsOf, stringsAt, yieldOf } from '@fendrel/core';
	import { fixed, signed } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { RaiseWork } from './raiseWork.svelte';

	interface Props {
		open: KeyboardVisit;
		raise: RaiseWork;
		/** The note that is due. */
		note: number;
		onselect: (note: number) => void;
	}
	let { open, raise, note, onselect }: Props = $props();
	const { instrument, record } = $derived(open);
	const done = $derived(raise.raised.size);
	const strings = $derived(stringsAt(instrument.stringing, note));
	const sections = $derived(
		leftBySection(raise.left, sectionsOf(instrument.lowest, instrument.highest, breakOf(instrument.stringing)))
	);
	const isFine = $derived(sections.every(({ left }) => Math.abs(left) <= LEFT_FOR_TUNING));
	/** How much this piano yields against a usual one, once it has told. */
	const yields = $derived.by(() => {
		const { learned } = raise.running;
		return learned.raises === 0 ? undefined : yieldOf(learned);
	});
	const { plan } = $derived(record.report);

	function goOn(next: number | undefined) {
		if (!plan?.raise) return;
		if (next === undefined && raise.running.learned.raises > 0)
			record.act({ do: 'learned', learned: raise.running.learned });
		open.replan({ raise: next === undefined ? null : { ...plan.raise, pass: next } });
		open.edition++;
	}
</script>

<section class="pass" aria-label="The pass">
	<h2 class="panel-heading">Pass {raise.pass}: {done} of {raise.order.length}</h2>
	{#if raise.isDone}
		<p class="told">
			{#if raise.isStripFirst}Take the strip out, and bring the other strings of every note to its middle one by ear.{/if}
			{isFine ? 'The pass is done. What is left is a matter of tuning.' : 'The pass is done. Another one is due.'}
		</p>
	{:else}
		<p class="told">
			{strings > 1 ? 'One string of the note is read; bring it' : 'Bring it'} to
			<b class="mono">{signed(raise.over(note))}</b> cents of its target{strings === 1
				? '.'
				: raise.isStripFirst && strings === 3
					? ', and go on: its mates follow when the strip is out.'
					: ', and its mates by ear.'}
		</p>
	{/if}
	{#if raise.again !== undefined && raise.again !== note}
		{@const again = raise.again}
		<p class="again">
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => onselect(again)}
				>Read {noteName(again)} again</button
			>
			<span class="soft small">It shows how far it has sunk; then go on.</span>
		</p>
	{:else if raise.isDone && raise.readAgain < 30}
		<p class="soft small">
			Read some thirty notes once more before you go on ({raise.readAgain} so far): this pass and the next raise rest on it.
		</p>
	{/if}
	<table class="small-table">
		<thead><tr><th>When all is set</th><th>cents</th></tr></thead>
		<tbody>
			{#each sections as { id, left } (id)}<tr><th>{id}</th><td>{signed(left)}</td></tr>{/each}
		</tbody>
	</table>
	{#if yields !== undefined}
		<p class="soft small">
			It yields {fixed(yields.times, 2)} ±{fixed(yields.error, 2)} times as much as usual, as far as it was read.
		</p>
	{/if}
	<div class="go">
		{#if raise.isDone && !isFine}
			<button type="button" class="btn preset-filled-brand" onclick={() => goOn(raise.pass + 1)}
				>Begin pass {raise.pass + 1}</button
			>
		{/if}
		{#if done > 0}
			<button
				type="button"
				class="btn {raise.isDone && isFine ? 'preset-filled-brand' : 'preset-outlined-surface-300-700'}"
				onclick={() => goOn(undefined)}>{raise.isDone ? 'Go on to the tuning' : 'End the raise, and tune'}</button
			>
		{/if}
	</div>
</section>

<style>
	.pass {
		display: grid;
		gap: 0.4rem;
		padding-bottom: 0.5rem;
	}
	.told {
		line-height: 1.3;
	}
	.small {
		font-size: 0.85rem;
	}
	.go {
		display: grid;
		gap: 0.5rem;
	}
</style>
