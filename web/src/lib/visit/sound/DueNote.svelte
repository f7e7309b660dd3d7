<script lang="ts" generics="Body">
	import WhichKey from '../WhichKey.svelte';
	import { isCertain, noteName } from '@fendrel/core';
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import type { RoomState } from '$lib/listening/room';
	import BigNote from '$lib/ui/BigNote.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import { counted, flatOrSharp } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { Survey } from './survey.svelte';
	import { foundWords } from './foundWords';

	interface Props {
		survey: Survey<Body>;
		open: KeyboardVisit;
		room: RoomState;
		/** Where to go when every note has been read. */
		planHref: string;
	}
	let { survey, open, room, planHref }: Props = $props();
	const listening = $derived(survey.listening);
	const { skipped } = $derived(survey.choice);
	const left = $derived(survey.notes.length - survey.done.length);
	const last = $derived(survey.struck === undefined ? undefined : survey.found.get(survey.struck));
	const lastWords = $derived(last && foundWords(last));
	/** A note takes so long to strike, to sound and to be left. */
	const SECONDS_A_NOTE = 4;
	const STRINGS = [
		{ id: 'one', label: 'One string' },
		{ id: 'open', label: 'All open' }
	] as const;
</script>

<section class="due" aria-label="The note that is due">
	{#if left === 0 && survey.choice.of === 'around'}
		{#await import('./OneNoteFound.svelte') then { default: OneNoteFound }}<OneNoteFound {survey} {open} />
		{:catch}<p class="problem" role="alert">What was found could not be loaded. Reload the page.</p>{/await}
	{:else if left === 0}
		<p class="verdict">All {counted(survey.notes.length, 'note')} of the survey are read.</p>
		<p class="soft">
			<a class="anchor" href={planHref}>Go to Plan</a>: targets and beats follow these strings now. Any note may still
			be struck again.{#if skipped.length}
				{counted(skipped.length, 'note')} left out: taken from {skipped.length === 1 ? 'its' : 'their'} neighbours.{/if}
		</p>
	{:else}
		<p class="ask">Strike {survey.strings.sounders.length > 1 ? 'with all strings open' : 'one string of'}</p>
		<div class="big"><BigNote note={survey.due} /></div>
		<p class="soft">
			{survey.done.length} of {survey.notes.length} notes read, about {Math.ceil((left * SECONDS_A_NOTE) / 60)} min to go
		</p>
	{/if}
	<div class="last" role="status">
		{#if listening.fault}<p class="notice">{FAULT_WORDS[listening.fault]}</p>
		{:else if survey.asked}
			<WhichKey
				asked={survey.asked}
				nameOf={noteName}
				targetOf={(note) => survey.targetOf(note)}
				onanswer={(note) => survey.answer(note)}
			/>
		{:else if survey.problem}{#key survey.problem}<p class="notice" class:passes={survey.passes}>
					{survey.problem}
				</p>{/key}
		{:else if last && lastWords}
			<p class="of">{noteName(last.note)}{last.strikes > 1 ? `, ${last.strikes} strikes` : ''}</p>
			<p class="found">
				{flatOrSharp(survey.offset(last.note) ?? 0, isCertain(last.pitchError))} <span class="soft">of the plan</span>
			</p>
			<p>{lastWords.stiffness}</p>
			<p>{lastWords.beat}</p>
			{#if lastWords.again}<p class="again">{lastWords.again}</p>{/if}
		{:else if room.advice}<p class="notice">{room.advice}</p>
		{:else if listening.state === 'off'}<p class="soft">
				{#if survey.choice.isOpen}Press Listen, and before any mute goes in strike {survey.choice.of === 'walk'
						? 'every key once from bottom to top'
						: 'each of these keys once'}: let each ring for a second.
				{:else}Press Listen, mute all but one string of each note, and strike it firmly: one strike a note, let it ring
					for two seconds.{/if}
			</p>{/if}
	</div>
	<div class="buttons">
		<div class="strings">
			<Segments
				wide
				label="Strings left unmuted"
				choices={STRINGS}
				chosen={survey.isOpen ? 'open' : 'one'}
				onchoose={(choice) => survey.do({ do: choice })}
			/>
		</div>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => survey.do({ do: 'previous' })}
			>Back</button
		>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => survey.do({ do: 'skip' })}
			>Skip</button
		>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => survey.do({ do: 'next' })}
			>Next</button
		>
	</div>
	{#if listening.simulated}
		<button type="button" class="btn preset-filled-brand strike" onclick={() => survey.do({ do: 'strike' })}
			>Strike {noteName(survey.due)}</button
		>
	{/if}
</section>

<style>
	.due {
		display: flex;
		flex-direction: column;
		padding: 1rem 1.5rem;
		min-height: 0;
		overflow: auto;
	}
	.ask {
		font-size: 1.1rem;
		color: var(--soft);
	}
	.big {
		padding-top: 0.8rem;
	}
	.verdict {
		font-size: 1.7rem;
		line-height: 1.25;
		margin-bottom: 0.5rem;
	}
	.last {
		flex: 1;
		padding: 0.9rem 0;
		line-height: 1.45;
	}
	.of {
		font-weight: 700;
	}
	.found {
		font-size: 1.7rem;
		font-weight: 600;
		line-height: 1.3;
	}
	.found span {
		font-size: 1rem;
		font-weight: 400;
	}
	.again {
		color: var(--sharp);
		font-weight: 600;
	}
	.notice {
		padding: 0.4rem 0.9rem;
	}
	.buttons {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.strings {
		flex-basis: 100%;
	}
	.buttons .btn {
		flex: 1;
	}
	.strike {
		margin-top: 0.6rem;
		min-height: 44px;
	}
	@media (max-width: 820px) {
		.due {
			border-right: 0;
		}
	}
</style>
