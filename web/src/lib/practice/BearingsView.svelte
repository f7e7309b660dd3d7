<script lang="ts">
	import {
		bearingPlan,
		noteName,
		BEARINGS,
		type DrillRegister,
		type Ear,
		type ExaminationBand,
		type SetTrial
	} from '@fendrel/core';
	import { untrack } from 'svelte';
	import { TurnableStrings } from '$lib/audio/turnable.svelte';
	import { comparisonWords, shortRate, wayTo } from '$lib/tuning/bearingWords';
	import type { TuningChoice } from '$lib/tuning/choice';
	import { pairName } from '$lib/ui/beats';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import BearingsScored from './BearingsScored.svelte';
	import BearingsSteps from './BearingsSteps.svelte';
	import { BearingsSitting } from './bearingsSitting.svelte';
	import { DRILL_WORDS } from './drillWords';
	import LeverKeys from './LeverKeys.svelte';
	import { BEARINGS_KEYS, bearingsAction } from './practiceKeys';
	import { SittingKeeper } from './sittingKeeper.svelte';
	import { anySeed, type DrillView } from './view';
	import { whileHere } from './whileHere';
	import { fixed } from '$lib/ui/format';

	interface Props extends DrillView {
		register: DrillRegister;
		choice: TuningChoice;
		school: string;
		/** The ear that the plan and its verdict reckon with. */
		ear: Ear;
		band: ExaminationBand;
	}
	let { register, choice, school, ear, band, userId, strings, onagain }: Props = $props();

	const sound = new TurnableStrings();
	const { keeper, sitting, plan } = untrack(() => {
		const { temperament } = choice;
		const { lowest: low, highest: high } = register;
		const plan = bearingPlan({ school, start: 69, low, high, strings, temperament, ear });
		const keeper = new SittingKeeper(userId, { drill: BEARINGS.id, register: register.id }, 1);
		const onanswered = (trials: readonly SetTrial[], isOver: boolean) => keeper.keep(trials, isOver);
		const now = () => performance.now() / 1000;
		const ground = { plan, strings, ear, sound, onanswered, seed: anySeed(), now };
		return { keeper, plan, sitting: new BearingsSitting(ground) };
	});
	whileHere({
		// What stands stands: only the sound is gone.
		interrupted: () => sound.stop(),
		left: () => sound.close()
	});

	const { step, due, score } = $derived(sitting);
	const lead = $derived(due.by[0]?.edge);
	/** Other intervals that say whether the step is right, as they come within reach. */
	const others = $derived([
		...due.by.slice(1).map(({ edge }) => ({ edge, words: shortRate(edge.rate) })),
		...due.checks
			.filter(({ edge }) => !due.by.some((each) => each.edge === edge))
			.map((check) => ({
				edge: check.edge,
				words: [shortRate(check.edge.rate), comparisonWords(check)].filter(Boolean).join(', ')
			}))
	]);

	function onkeydown(event: KeyboardEvent) {
		const action = bearingsAction(event);
		if (!action) return;
		event.preventDefault();
		if (action.do === 'turn') sitting.turn(action.by);
		else if (event.repeat) return;
		else if (action.do === 'strike') sitting.strikeDue();
		else if (action.do === 'next') next();
		else if (action.do === 'back') sitting.goTo(step - 1);
		else if (action.do === 'check' && others[action.which]) sitting.strikeEdge(others[action.which].edge);
	}
	function next() {
		if (step < plan.steps.length - 1) sitting.goTo(step + 1);
		else sitting.finish();
	}
	const words = DRILL_WORDS[BEARINGS.id];
	const overall = $derived(score && words.means({ size: score.overall }));
</script>

<svelte:window {onkeydown} />

{#if score}
	<p class="verdict scored">{overall}</p>
	<BearingsScored {plan} {score} {band} />
	<p class="acts">
		<button type="button" class="btn preset-filled-brand" onclick={onagain}>Another sitting</button>
		<a class="btn preset-outlined-surface-300-700" href="/practice">All drills</a>
	</p>
	{#if keeper.waits}<p class="notice" role="status">It is kept on this device. {keeper.waits}</p>{/if}
{:else}
	<div class="bench">
		<section class="now" aria-label="The step to do now" aria-live="polite" data-sounds={sound.playing}>
			<p class="soft">Step {step + 1} of {plan.steps.length}</p>
			<p class="verdict">{noteName(due.note)}, {wayTo(due)}</p>
			{#if lead}
				<p class="asked">
					<b>{fixed(Math.abs(lead.rate), 1)}</b>
					<span class="soft">a second, {shortRate(lead.rate).replace(/^[\d.]+ /, '')}</span>
				</p>
			{:else}<p class="soft">It stands; everything else follows from it.</p>{/if}
			<LeverKeys disabled={!lead} onturn={(by) => sitting.turn(by)} />
			<p class="acts">
				<button type="button" class="btn preset-filled-brand" onclick={() => sitting.strikeDue()}
					>Strike {lead ? pairName(lead) : noteName(due.note)}</button
				>
				<button
					type="button"
					class="btn preset-outlined-surface-300-700"
					disabled={step === 0}
					onclick={() => sitting.goTo(step - 1)}>Back</button
				>
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={next}
					>{step < plan.steps.length - 1 ? 'Next note' : 'Have it scored'}</button
				>
			</p>
			{#if others.length}
				<h2 class="panel-heading">What proves it</h2>
				<ul class="others">
					{#each others as { edge, words }, i (pairName(edge))}
						<li>
							<button type="button" class="choice" onclick={() => sitting.strikeEdge(edge)}
								>{i + 1}: strike {pairName(edge)}</button
							>
							<span>{edge.kind.name}: {words}</span>
						</li>
					{/each}
				</ul>
			{/if}
			{#if sound.problem}<p class="problem" role="alert">{sound.problem}</p>{/if}
			{#if sitting.notice}<p class="notice" role="status">{sitting.notice}</p>{/if}
		</section>
		<BearingsSteps {plan} {school} current={step} turned={sitting.turned} ongo={(to) => sitting.goTo(to)} />
	</div>
{/if}
<Shortcuts keys={BEARINGS_KEYS} />

<style>
	.bench {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(16rem, 2fr);
		gap: 2rem;
		margin-top: 1rem;
	}
	.now {
		display: grid;
		gap: 0.75rem;
		align-content: start;
	}
	.verdict {
		font-family: var(--serif, inherit);
		font-size: 2rem;
		line-height: 1.2;
	}
	.scored {
		margin-block: 1rem 0.4rem;
	}
	.asked {
		display: flex;
		gap: 0.8rem;
		align-items: baseline;
	}
	.asked b {
		font-size: 6rem;
		line-height: 1;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
	}
	.others {
		display: grid;
		gap: 0.3rem;
	}
	.others li {
		display: grid;
		grid-template-columns: 12rem 1fr;
		gap: 0.8rem;
		align-items: center;
	}
	@media (max-width: 900px) {
		.bench {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
