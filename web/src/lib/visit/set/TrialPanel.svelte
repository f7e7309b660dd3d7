<script lang="ts">
	import { onMount } from 'svelte';
	import { noteName, type SounderId } from '@fendrel/core';
	import { fixed, lasting, signed } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { RaiseWork } from './raiseWork.svelte';

	interface Props {
		open: KeyboardVisit;
		raise: RaiseWork;
		/** The note that is due, and the string that is left sounding. */
		note: number;
		sounder: SounderId;
	}
	let { open, raise, note, sounder }: Props = $props();
	const { record } = $derived(open);
	/** A set that does not hold shows within that. */
	const WAIT_MS = 600_000;
	let now = $state(Date.now());
	onMount(() => {
		const timer = setInterval(() => (now = Date.now()), 1000);
		return () => clearInterval(timer);
	});
	const isRaised = $derived(raise.tried.every(({ raised }) => raised !== undefined));
	const isRead = $derived(raise.tried.every(({ after }) => after !== undefined));
	/** When the last string was raised: kept with the record, so that a reload does not begin anew. */
	const since = $derived(
		Math.max(
			0,
			...[...record.report.events.values()].flatMap((event) =>
				'do' in event && event.do === 'accept' && event.purpose === 'raised' && event.pass === 0 ? event.at : []
			)
		)
	);
	const left = $derived(Math.max(0, since + WAIT_MS - now) / 1000);
	const broken = $derived(record.report.arrival.broken);
	const isBroken = $derived(broken.some((each) => each.sounder === sounder));
	const losses = $derived(
		raise.tried.flatMap(({ raised, after }) => (raised === undefined || after === undefined ? [] : [raised - after]))
	);

	function goOn(pass: number | undefined) {
		const { plan } = record.report;
		if (!plan?.raise) return;
		open.replan({ raise: pass === undefined ? null : { ...plan.raise, pass } });
		open.edition++;
	}
	const figure = (cents: number | undefined) => (cents === undefined ? '' : signed(cents));
</script>

<section class="trial" aria-label="Trial raise">
	<h2 class="panel-heading">Trial: one string of one note an octave</h2>
	<p role="status">
		{#if isRead}
			It lost {fixed(Math.min(...losses), 1)} to {fixed(Math.max(...losses), 1)} cents. {broken.length
				? `${broken.length} broke.`
				: 'Nothing broke.'}
		{:else if !isRaised}
			Raise one string of {noteName(note)} to its target. Where there is rust let it down first, until it frees.
		{:else if left > 0}
			Now wait {lasting(left)}, then strike each of them once more.
		{:else}
			Strike each of them once more.
		{/if}
	</p>
	<table class="small-table">
		<thead><tr><th></th><th>before</th><th>raised</th><th>after</th></tr></thead>
		<tbody>
			{#each raise.tried as { note: each, before, raised, after } (each)}
				<tr class:due={each === note}
					><th>{noteName(each)}</th><td>{figure(before)}</td><td>{figure(raised)}</td><td>{figure(after)}</td></tr
				>
			{/each}
		</tbody>
	</table>
	<div class="go">
		<button
			type="button"
			class="btn preset-outlined-surface-300-700"
			disabled={isBroken}
			onclick={() => record.act({ do: 'broke', sounder })}
			>{isBroken ? 'Broken, on record' : 'This string broke'}</button
		>
		{#if isRaised}
			<button
				type="button"
				class="btn {isRead ? 'preset-filled-brand' : 'preset-outlined-surface-300-700'}"
				onclick={() => goOn(1)}>Begin the raise</button
			>
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => goOn(undefined)}
				>Do not raise it</button
			>
		{/if}
	</div>
</section>

<style>
	.trial {
		display: grid;
		gap: 0.4rem;
		padding-bottom: 0.5rem;
	}
	p {
		line-height: 1.3;
	}
	.due {
		background: var(--felt-wash);
	}
	.go {
		display: grid;
		gap: 0.4rem;
	}
</style>
