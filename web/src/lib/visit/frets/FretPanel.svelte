<script lang="ts">
	import { fretGroup, MOST_MOVED, type FretAdvice, type FretEnds } from '@fendrel/core';
	import { counted, signed } from '$lib/ui/format';
	import { FRET_TOLERANCE, type FretVisit } from '../fretVisit.svelte';
	import DueString from './DueString.svelte';
	import type { FretBench } from './fretBench.svelte';
	import { conflictWords, givenAt, halfWords, isMoved, leftWords, moveWords } from './fretWords';
	import { lengthUnit, typedMm } from '$lib/ui/measures';

	interface Props {
		open: FretVisit;
		bench: FretBench;
		/** Of the fret that is due. */
		advice: FretAdvice;
		/** Its strings that are still to be sounded. */
		queue: readonly number[];
		/** What to do with the string that is due. */
		says: string;
		/** It has just been moved. */
		isMovedNow: boolean;
		onmove: (ends: FretEnds) => void;
		onleave: () => void;
	}
	let { open, bench, advice, queue, says, isMovedNow, onmove, onleave }: Props = $props();
	const { body } = $derived(open);
	const { fret } = $derived(advice);
	const headline = $derived(
		queue.length === 0 ? moveWords(advice.line.move) : `${counted(queue.length, 'string')} to sound at fret ${fret}.`
	);
	let ownLow = $state('');
	let ownHigh = $state('');
	let problem = $state('');
	function moveOwn() {
		const ends = { low: typedMm(ownLow || '0'), high: typedMm(ownHigh || '0') };
		problem = [ends.low, ends.high].every((end) => Math.abs(end) <= MOST_MOVED)
			? ''
			: `Write how far each end was moved in ${lengthUnit()}: above 0 to the bridge, below 0 to the nut.`;
		if (problem) return;
		ownLow = ownHigh = '';
		onmove(ends);
	}
</script>

{#snippet strings()}
	<table class="figure-table" aria-label="String by string at fret {fret}">
		<thead
			><tr
				><th scope="col">String by string</th><th scope="col" class="figure">now</th><th scope="col" class="figure"
					>then</th
				></tr
			></thead
		>
		<tbody>
			{#each advice.wishes as wish (wish.string)}
				{@const string = open.string(fretGroup(wish.string, fret))!}
				<tr aria-current={string.group === bench.due ? 'step' : undefined}>
					<th scope="row"
						><button type="button" onclick={() => bench.goTo(string.group)}>{string.gives}</button>{string.isRead
							? ''
							: ' (not read)'}</th
					>
					<td>{signed(wish.off)}</td>
					<td>{leftWords(wish, FRET_TOLERANCE)}</td>
				</tr>
			{/each}
		</tbody>
	</table>
{/snippet}

<div class="advice">
	<p class="soft">
		Fret {fret}: {givenAt(
			body,
			fret,
			advice.wishes.filter(({ weight }) => weight > 0).map(({ string }) => string)
		)}
	</p>
	<p class="headline" data-testid="fret-advice">{headline}</p>
</div>
{#if queue.length === 0}
	<div class="buttons">
		{#if isMoved(advice.line.move)}
			<button type="button" class="btn preset-filled-brand" onclick={() => onmove(advice.line.move)}>Moved</button>
		{/if}
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={onleave}
			>{isMoved(advice.line.move) ? 'Leave it' : 'Next fret'}</button
		>
	</div>
{/if}
{#if queue.length}<DueString {bench} {says} within={FRET_TOLERANCE} />{/if}
{@render strings()}
{#if isMovedNow && queue.length}
	<p>Sound again: {givenAt(body, fret, queue)}. Moving one end has moved them all.</p>
{/if}
{#if queue.length === 0 && advice.cannot.length}
	<p class="cannot">
		{givenAt(body, fret, advice.cannot)}
		{advice.cannot.length === 1 ? 'stays' : 'stay'} more than {FRET_TOLERANCE} cents off: no straight fret brings
		{advice.cannot.length === 1 ? 'it' : 'them'} home.
		{halfWords(body, advice) ?? ''}
		{conflictWords(body, advice) ?? ''}
	</p>
{/if}
{#if queue.length === 0}<DueString {bench} {says} within={FRET_TOLERANCE} />{/if}
<fieldset class="own">
	<legend class="soft">Moved otherwise, {lengthUnit()}; above 0: to the bridge</legend>
	<label>lowest end <input class="input" inputmode="decimal" bind:value={ownLow} /></label>
	<label>highest end <input class="input" inputmode="decimal" bind:value={ownHigh} /></label>
	<button type="button" class="choice" onclick={moveOwn}>Moved so</button>
</fieldset>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
	.headline {
		font-family: var(--serif);
		font-size: 2.2rem;
		line-height: 1.1;
	}
	.advice {
		display: grid;
		gap: 0.4rem;
	}
	.buttons,
	.own {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}
	.own label {
		display: flex;
		gap: 0.4rem;
		align-items: center;
	}
	.own input {
		width: 4.5rem;
		min-height: 44px;
	}
	.cannot {
		border-left: 3px solid var(--line);
		padding-left: 0.8rem;
	}
	th button {
		min-height: 34px;
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
	}
	tr[aria-current] th {
		font-weight: 700;
	}
</style>
