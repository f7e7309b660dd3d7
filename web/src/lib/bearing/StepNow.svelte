<script lang="ts">
	import { onDestroy } from 'svelte';
	import Play from '@lucide/svelte/icons/play';
	import type { BearingPlan, StiffString } from '@fendrel/core';
	import { Player } from '$lib/audio/player.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { typedInto } from '$lib/ui/keys';
	import Lever from '$lib/listening/Lever.svelte';
	import type { PairListening } from '$lib/pairs/pairListening.svelte';
	import { refusedWords } from '$lib/pairs/pairWords';
	import { pairName } from '$lib/ui/beats';
	import CurrentStep from './CurrentStep.svelte';

	interface Props {
		plan: BearingPlan;
		/** Which step is done now, from 0. */
		current: number;
		strings: (note: number) => StiffString;
		/** Target of the step's note, Hz. */
		pitch: number;
		a4: number;
		/** What the app hears of it. */
		pairs: PairListening;
		onchoose: (step: number) => void;
	}
	let { plan, current, strings, pitch, a4, pairs, onchoose }: Props = $props();
	const step = $derived(plan.steps[current]);
	const player = new Player((playing) => pairs.listening.ignoreWhile(playing));
	const { simulated } = $derived(pairs.listening);
	const lead = $derived(step.by[0]?.edge);
	onDestroy(() => player.close());

	function go(to: number) {
		player.stop();
		onchoose(Math.min(Math.max(to, 0), plan.steps.length - 1));
	}
	/** The interval as it shall sound; for the reference the note alone. */
	function strike() {
		const notes = lead ? [lead.lower, lead.upper] : [step.note];
		const voices = notes.map((note) => ({ note, string: strings(note) }));
		void player.passage('step', [[{ at: 0, seconds: 4, voices }]]);
	}
	/** Two pure tones that beat as the interval shall, with nothing else to listen to. */
	function beat() {
		if (!lead || player.playing === 'beat') return player.stop();
		void player.tones('beat', [lead.heardAt - lead.rate / 2, lead.heardAt + lead.rate / 2]);
	}
	const does: Record<string, () => void> = {
		PageDown: () => go(current + 1),
		PageUp: () => go(current - 1),
		ArrowDown: () => go(current + 1),
		ArrowUp: () => go(current - 1),
		' ': strike,
		b: beat
	};
	function onkeydown(event: KeyboardEvent) {
		if (typedInto(event) || event.ctrlKey || !does[event.key]) return;
		event.preventDefault();
		does[event.key]();
	}
	const keys = [
		{ keys: 'Page Down, ↓', does: 'next note (pedal)' },
		{ keys: 'Page Up, ↑', does: 'the note before' },
		{ keys: 'Space', does: 'hear the interval as it shall sound' },
		{ keys: 'B', does: 'hear its beat alone' },
		{ keys: '?', does: 'show or hide this list' }
	];
</script>

<svelte:window {onkeydown} />

<section aria-label="The step to do now" aria-live="polite">
	<p class="soft">Step {current + 1} of {plan.steps.length}</p>
	<CurrentStep
		{...{ step, pitch, a4 }}
		heard={({ lower, upper, kind }) => pairs.heard(lower, upper, kind.lowerPartial, kind.upperPartial)}
		reading={pairs.reading}
		onstrike={simulated && ((notes) => pairs.strike(notes))}
	/>
	{#if pairs.word?.kind === 'refused' && lead}<p class="notice">{refusedWords(pairs.word)}</p>
	{:else if pairs.word?.kind === 'heard' && !pairs.word.isAsked}
		<p class="notice">That was {pairName(pairs.word.keys)}, which does not belong to this step.</p>{/if}
	{#if simulated}
		<Lever
			onturn={(by) => pairs.turn(step.note, by)}
			onstrike={() => pairs.strike(lead ? [lead.lower, lead.upper] : [step.note])}
		/>
	{/if}
	<div class="acts">
		<button type="button" class="btn preset-filled-brand" onclick={strike}
			><Play size={16} />
			{step.by.length ? 'Hear the interval' : 'Hear the note'}</button
		>
		{#if step.by.length}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={beat}
				>{player.playing === 'beat' ? 'Stop the beat' : 'Hear the beat'}</button
			>
		{/if}
	</div>
	<div class="acts">
		<button
			type="button"
			class="btn preset-outlined-surface-300-700"
			disabled={current === 0}
			onclick={() => go(current - 1)}>Back</button
		>
		<button
			type="button"
			class="btn preset-outlined-surface-300-700"
			disabled={current === plan.steps.length - 1}
			onclick={() => go(current + 1)}>Next note</button
		>
		<Shortcuts {keys} />
	</div>
	{#if player.problem}<p class="problem" role="alert">{player.problem}</p>{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.75rem;
		align-content: start;
		position: sticky;
		top: 0.5rem;
		align-self: start;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: center;
	}
	@media (max-width: 999px) {
		section {
			position: static;
		}
	}
	@media print {
		section {
			display: none;
		}
	}
</style>
