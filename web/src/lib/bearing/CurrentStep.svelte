<script lang="ts">
	import {
		centsBetween,
		nearestNote,
		hz,
		noteName,
		type BearingStep,
		type Edge,
		type HeardBeat,
		type StringReading
	} from '@fendrel/core';
	import { inFiveSeconds } from '$lib/ui/beats';
	import { comparisonWords, failureWords, shortRate, wayTo } from '$lib/tuning/bearingWords';
	import { pairName } from '$lib/ui/beats';
	import { fixed, flatOrSharp } from '$lib/ui/format';
	import Heard from './Heard.svelte';
	import { checkWitness, setWitness, type Witness } from './witness';

	interface Props {
		step: BearingStep;
		/** Target of the step's note, Hz. */
		pitch: number;
		a4: number;
		/** What was heard last of an interval, and of a note alone. */
		heard: (edge: Edge) => HeardBeat | undefined;
		reading: StringReading | undefined;
		/** Strikes keys of the simulated instrument, where that is what is listened to. */
		onstrike: ((notes: readonly number[]) => void) | undefined;
	}
	let { step, pitch, a4, heard, reading, onstrike }: Props = $props();
	const off = $derived(reading?.note === step.note ? centsBetween(hz(pitch), reading.pitch) : undefined);
	/** Cents within which a fork's note stands. */
	const REFERENCE_WITHIN = 0.3;
	const keyAt = (frequency: number) => noteName(nearestNote(hz(frequency), hz(a4)).note);
</script>

{#snippet beside(edge: Edge, says: (beat: HeardBeat) => Witness)}
	{@const beat = heard(edge)}
	<div class="beside">
		<Heard witness={beat && says(beat)} />
		{#if onstrike}
			<button type="button" class="choice" onclick={() => onstrike([edge.lower, edge.upper])}
				>Strike {pairName(edge)}</button
			>
		{/if}
	</div>
{/snippet}

<p class="verdict">Set {noteName(step.note)} {wayTo(step)}</p>
{#if step.by.length === 0}
	<p>{fixed(pitch, 2)} Hz. Everything else follows from this note, so take your time.</p>
	<div class="beside">
		{#if off !== undefined}<Heard
				witness={{ isRight: Math.abs(off) <= REFERENCE_WITHIN, words: flatOrSharp(off) }}
			/>{/if}
		{#if onstrike}
			<button type="button" class="choice" onclick={() => onstrike([step.note])}>Strike {noteName(step.note)}</button>
		{/if}
	</div>
{/if}
{#each step.by as { edge, weight } (pairName(edge))}
	<div class="lead">
		<p class="rate">
			<b>{fixed(Math.abs(edge.rate), 1)}</b>
			<span>per second, {shortRate(edge.rate).replace(/^[\d.]+ /, '')}</span>
		</p>
		<p>
			{pairName(edge)}, {edge.kind.name}: {inFiveSeconds(edge.rate)} in 5 s. Listen at {keyAt(edge.heardAt)} ({fixed(
				edge.heardAt,
				0
			)} Hz){step.by.length > 1 ? `; if they disagree, give it ${Math.round(100 * weight)} %` : ''}.
		</p>
	</div>
	{@render beside(edge, (beat) => setWitness(step, edge, beat))}
{/each}
{#if step.checks.length}
	<h3>Then check</h3>
	<ul>
		{#each step.checks as check (pairName(check.edge))}
			<li>
				<b>{pairName(check.edge)}</b>, {check.edge.kind.name}: {shortRate(check.edge.rate)}{check.compare
					? `, ${comparisonWords(check)}`
					: ''}.
				{#if !heard(check.edge)}<span class="soft">{failureWords(check)}</span>{/if}
				{#if !step.by.some(({ edge }) => pairName(edge) === pairName(check.edge))}
					{@render beside(check.edge, (beat) => checkWitness(check, beat))}
				{/if}
			</li>
		{/each}
	</ul>
{/if}

<style>
	.verdict {
		font-size: 1.9rem;
	}
	.lead {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.25rem 1.25rem;
		align-items: center;
	}
	.rate b {
		font-family: var(--mono);
		font-weight: 600;
		font-size: 3rem;
		line-height: 1;
	}
	.rate span {
		color: var(--soft);
		display: block;
		font-size: 0.95rem;
	}
	.beside {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem 0.8rem;
		align-items: center;
		justify-content: space-between;
	}
	.beside .choice {
		margin-left: auto;
	}
	h3 {
		font-weight: 600;
		margin-top: 0.25rem;
	}
	ul {
		display: grid;
		gap: 0.5rem;
		font-size: 0.97rem;
		line-height: 1.4;
	}
	@media (max-width: 600px) {
		.lead {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
