<script lang="ts">
	import { nearestNote, hz, noteName, type BearingStep } from '@fendrel/core';
	import { inFiveSeconds } from '$lib/ui/beats';
	import { comparisonWords, failureWords, shortRate, wayTo } from './planWords';
	import { pairName } from '$lib/ui/beats';

	interface Props {
		step: BearingStep;
		/** Target of the step's note, Hz. */
		pitch: number;
		a4: number;
	}
	let { step, pitch, a4 }: Props = $props();
	const keyAt = (frequency: number) => noteName(nearestNote(hz(frequency), hz(a4)).note);
</script>

<p class="verdict">Set {noteName(step.note)} {wayTo(step)}</p>
{#if step.by.length === 0}
	<p>{pitch.toFixed(2)} Hz. Everything else follows from this note, so take your time.</p>
{/if}
{#each step.by as { edge, weight } (pairName(edge))}
	<div class="lead">
		<p class="rate">
			<b>{Math.abs(edge.rate).toFixed(1)}</b>
			<span>per second, {shortRate(edge.rate).replace(/^[\d.]+ /, '')}</span>
		</p>
		<p>
			{pairName(edge)}, {edge.kind.name}: {inFiveSeconds(edge.rate)} in 5 s. Listen at {keyAt(edge.heardAt)} ({edge.heardAt.toFixed(
				0
			)} Hz){step.by.length > 1 ? `; if they disagree, give it ${Math.round(100 * weight)} %` : ''}.
		</p>
	</div>
{/each}
{#if step.checks.length}
	<h3>Then check</h3>
	<ul>
		{#each step.checks as check (pairName(check.edge))}
			<li>
				<b>{pairName(check.edge)}</b>, {check.edge.kind.name}: {shortRate(check.edge.rate)}{check.compare
					? `, ${comparisonWords(check)}`
					: ''}.
				<span class="soft">{failureWords(check)}</span>
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
