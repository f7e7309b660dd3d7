<script lang="ts">
	import {
		noteName,
		pointsLost,
		type BearingPlan,
		type BearingsScore,
		type ExaminationBand,
		type MeasuredTread
	} from '@fendrel/core';
	import SetTrials from '$lib/charts/SetTrials.svelte';
	import Staircase from '$lib/charts/Staircase.svelte';
	import { wayTo } from '$lib/tuning/bearingWords';
	import { counted, fixed, flatOrSharp, signed } from '$lib/ui/format';

	interface Props {
		plan: BearingPlan;
		score: BearingsScore;
		/** How strictly the workshop examines a temperament. */
		band: ExaminationBand;
	}
	let { plan, score, band }: Props = $props();
	const lost = $derived(score.notes.filter(({ off }) => pointsLost(off, band) > 0));
	const points = $derived(lost.reduce((sum, { off }) => sum + pointsLost(off, band), 0));
	const treads = (of: readonly MeasuredTread[] | undefined, which: 'found' | 'predicted') =>
		(of ?? []).map(({ lower, ...tread }) => ({ note: lower, rate: Math.abs(tread[which]) }));
	const thirds = $derived(score.staircases.get('majorThird'));
	const fifths = $derived(score.staircases.get('fifth'));
	const { wrong } = $derived(score);
	/** Notes that steps the wrong way point at, each once. */
	const atFault = $derived(
		score.inversions.filter(({ note }, i, all) => all.findIndex((other) => other.note === note) === i)
	);
	const asNotes = (notes: readonly { readonly note: number; readonly off: number }[]) =>
		notes.map(({ note, off }) => `${noteName(note)} ${signed(off)}`).join(', ');
	const rate = (value: number) =>
		`${fixed(Math.abs(value), 1)}${Math.abs(value) < 0.05 ? '' : value < 0 ? ' narrow' : ' wide'}`;
</script>

<section class="scored" aria-label="Score">
	<div class="says">
		{#if wrong}
			<p class="first">
				Step {wrong.step + 1} went wrong first: {noteName(wrong.note)},
				{wayTo(plan.steps[wrong.step])}.
			</p>
			<p>
				Its interval beats {rate(wrong.found)}; the plan asks for {rate(wrong.asked)}: {noteName(wrong.note)} stands
				{flatOrSharp(wrong.by)} of its own making.
				{#if wrong.followed.length}What was set from it carried that on: {asNotes(wrong.followed)}.
				{:else}Nothing was set from it.{/if}
			</p>
		{:else}
			<p class="first">No step went wrong by more than an ear lets pass.</p>
		{/if}
		<p>
			{lost.length === 0
				? 'An examiner takes off nothing.'
				: `An examiner takes off ${counted(points, 'point')}: ${asNotes(lost)}.`}
			{#if atFault.length}Thirds or sixths step the wrong way; what would mend it: {atFault
					.map(({ note, by }) => `${noteName(note)} ${by > 0 ? 'up' : 'down'} ${fixed(Math.abs(by), 1)}`)
					.join(', ')}.{/if}
			All of it stands {flatOrSharp(score.level)} against the fork; that is taken out.
		</p>
	</div>
	<h2 class="panel-heading">Where does each note stand? <span class="soft">cents, the mean taken out</span></h2>
	<SetTrials
		offs={score.notes.map(({ off }) => off)}
		least={2}
		most={score.notes.length}
		label={(off) => fixed(off, 1)}
		names={score.notes.map(({ note }) => noteName(note))}
	/>
	<h2 class="panel-heading">
		Do the thirds rise? <span class="soft">beats a second; dashed as the plan has them</span>
	</h2>
	<Staircase treads={treads(thirds, 'found')} beside={treads(thirds, 'predicted')} interval="major thirds" />
	<h2 class="panel-heading">Are the fifths even? <span class="soft">beats a second; dashed as planned</span></h2>
	<Staircase treads={treads(fifths, 'found')} beside={treads(fifths, 'predicted')} interval="fifths" />
</section>

<style>
	.scored {
		display: grid;
		gap: 0.6rem;
	}
	.says {
		display: grid;
		gap: 0.5rem;
		max-width: 60rem;
		margin-bottom: 0.6rem;
	}
	.first {
		font-family: var(--serif, inherit);
		font-size: 1.6rem;
		line-height: 1.25;
	}
</style>
