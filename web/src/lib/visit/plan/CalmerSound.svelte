<script lang="ts">
	import { untrack } from 'svelte';
	import { planFor } from '$lib/tuning/plan';
	import { inHz, inSentence } from '$lib/ui/format';
	import HearCurve from '../curve/HearCurve.svelte';
	import { TEMPERAMENT_PASSAGES } from '../curve/passages';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';

	interface Props {
		open: KeyboardVisit;
		/** The low pitch that is looked at. */
		low: number;
	}
	let { open, low }: Props = $props();
	const { instrument, temperament, about, visit, curve, measured } = $derived(open);
	/** Gentle ones first; the one that is planned is no other. */
	const others = $derived(
		[...about.temperaments]
			.filter(({ id }) => id !== temperament.id)
			.sort((a, b) => Number(b.family === 'well') - Number(a.family === 'well') || a.name.localeCompare(b.name))
	);
	let chosen = $state(untrack(() => others.find(({ slug }) => slug === 'vallotti')?.id ?? others[0]?.id));
	const calmer = $derived(others.find(({ id }) => id === chosen) ?? others[0]);
	const NOTE = 60;
	const targets = (a4: number, of: typeof temperament) => () =>
		planFor({ ...instrument, a4, temperament: of, stretch: visit.stretch, curve, measured }).targetOf;
	const versions = $derived([
		{ name: `${temperament.name}, ${inHz(low)} Hz`, targetOf: targets(low, temperament) },
		{ name: `${calmer.name}, ${inHz(instrument.usualA4)} Hz`, targetOf: targets(instrument.usualA4, calmer) }
	]);
</script>

<div class="calmer">
	<p>
		<b>Only a calmer sound?</b> A gentler temperament at the usual pitch may be what is wished for. Hear both on this instrument’s
		strings.
	</p>
	<div class="instead">
		<label
			>Instead of {inSentence(temperament.name)} at {inHz(low)} Hz
			<select class="select" bind:value={chosen}>
				{#each others as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</select></label
		>
		<button
			type="button"
			class="btn preset-outlined-surface-300-700"
			onclick={() => open.replan({ a4: instrument.usualA4, temperamentId: calmer.id })}
			>Plan {calmer.name} at {inHz(instrument.usualA4)} Hz</button
		>
	</div>
	<HearCurve note={NOTE} {versions} passages={TEMPERAMENT_PASSAGES} choice="Which is heard" />
</div>

<style>
	.calmer {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 0.5rem 1.5rem;
		padding-left: 0.9rem;
		border-left: 3px solid var(--felt);
		margin-top: 0.5rem;
	}
	p {
		grid-column: 1 / -1;
	}
	label {
		font-size: 0.9rem;
		color: var(--soft);
	}
	.select {
		display: block;
		width: 100%;
		min-height: 44px;
		color: var(--ink);
		font-size: 1rem;
	}
	.instead {
		display: grid;
		gap: 0.5rem;
		justify-items: start;
		align-content: start;
	}
	.instead label {
		width: 100%;
	}
</style>
