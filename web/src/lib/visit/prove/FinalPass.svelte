<script lang="ts">
	import { FINAL_WALKS, noteName, type FinalStep, type FinalWalk, type KeyChord } from '@fendrel/core';
	import Segments from '$lib/ui/Segments.svelte';
	import { typedInto } from '$lib/ui/keys';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { chordName, stepName, walkState } from './finalPass';
	import type { Proved } from './proved';

	interface Props {
		open: KeyboardVisit;
		proved: Proved;
		/** Told of what is due: it is listened for. */
		ondue: (step: FinalStep | undefined) => void;
		/** Strikes the simulated instrument, where that is what is listened to. */
		onstrike: ((step: FinalStep) => void) | undefined;
		onagain: (note: number) => void;
		/** The chord that was heard last; null: none that is known. */
		chord: KeyChord | null | undefined;
	}
	let { open, proved, ondue, onstrike, onagain, chord }: Props = $props();
	const NAMES: Record<FinalWalk, string> = {
		unisons: 'Unisons',
		octaves: 'Octaves',
		doubleOctaves: 'Double octaves',
		chords: 'Chords in all keys'
	};
	let walk = $state<FinalWalk | undefined>();
	let passed = $state.raw<ReadonlySet<string>>(new Set());
	const gone = $derived(walk && walkState(open, proved, walk, passed));
	$effect(() => ondue(gone?.due));

	function passOver() {
		if (gone?.due) passed = new Set([...passed, stepName(gone.due)]);
	}
	function onkeydown(event: KeyboardEvent) {
		if (typedInto(event) || !gone?.due) return;
		if (event.key === 'PageDown') passOver();
		else if (event.key === ' ' && onstrike) onstrike(gone.due);
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />

<section aria-label="Final pass">
	<h2 class="panel-heading">Final pass, from the bottom to the top</h2>
	<Segments
		label="What is gone through"
		choices={FINAL_WALKS.map((id) => ({ id, label: NAMES[id] }))}
		chosen={walk}
		onchoose={(id) => (walk = walk === id ? undefined : id)}
	/>
	{#if gone}
		<p role="status">
			{gone.heard} of {gone.all} heard.
			{#if gone.due}Next: <b>{stepName(gone.due)}</b>{'note' in gone.due
					? ', its strings open'
					: 'chord' in gone.due
						? ` (${gone.due.chord.notes.map(noteName).join(' ')}), or another one`
						: ''}.
			{:else if gone.all === 0}{walk === 'unisons'
					? 'No note with several strings has been set.'
					: walk === 'chords'
						? 'Set the middle of the keyboard first: no chord is whole yet.'
						: 'This keyboard is too short for any.'}{/if}
		</p>
		{#if walk === 'chords' && chord !== undefined}
			<p class="soft" data-testid="chord">
				{chord
					? `That was ${chordName(chord)}.`
					: 'That was no major triad or dominant seventh between C3 and C6 that all its notes are heard of.'}
			</p>
		{/if}
		{#if gone.due}
			<div class="acts">
				{#if onstrike}
					<button type="button" class="btn preset-filled-brand" onclick={() => gone.due && onstrike(gone.due)}
						>Strike it</button
					>
				{/if}
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={passOver}>Pass over</button>
			</div>
		{/if}
		{#each gone.out as { step, words, note } (stepName(step))}
			<p class="out">
				<span><b>{stepName(step)}</b> stands out: {words}</span>
				<button type="button" class="anchor" onclick={() => onagain(note)}>Set again</button>
			</p>
		{/each}
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.5rem;
		justify-items: start;
	}
	.acts {
		display: flex;
		gap: 0.5rem;
	}
	.out {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		width: 100%;
		border-top: 1px solid var(--line);
		padding-top: 0.3rem;
	}
</style>
