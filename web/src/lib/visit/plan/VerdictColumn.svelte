<script lang="ts">
	import { goto } from '$app/navigation';
	import { centsBetween, hz, noteName, pitchPrice, type PlannedPass, type TouchedNote } from '@fendrel/core';
	import { counted, inHz, noteRuns, signed } from '$lib/ui/format';
	import { seasonWords } from '../seasonWords';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import Consent from './Consent.svelte';
	import { betweenPasses, effort } from './effort';
	import { standing, standingWords } from './standing';
	import { stretchWord } from '$lib/tuning/stretch';
	import type { RaiseChoice } from '$lib/settings/settings';
	import { asksForRaise, type Judgement } from './judgement';
	import { headline, raiseExplained, reasons, shifted, TRIAL_EXPLAINED } from './verdictWords';

	interface Props {
		open: KeyboardVisit;
		judgement: Judgement | undefined;
		passes: readonly PlannedPass[];
		raise: RaiseChoice;
	}
	let { open, judgement, passes, raise }: Props = $props();
	const { visit, temperament, record } = $derived(open);
	const moves = $derived(judgement !== undefined && asksForRaise(judgement.verdict));
	const { consents } = $derived(record.report.arrival);
	const consent = $derived(consents.get('raise'));
	/** Somebody wants to see first whether the strings stand it. */
	let trialAsked = $state(false);
	/** A correction is a matter of minutes; a raise is explained, and agreed to. */
	const needsConsent = $derived(moves && judgement!.verdict.way === 'up' && judgement!.verdict.kind !== 'correct');
	/** Left where it stands, most strings stay as they are. */
	const stands = $derived.by(() => {
		if (!judgement || !moves || !judgement.verdict.isEven) return undefined;
		const a4 = Math.round(10 * shifted(visit.a4, judgement.least.shift)) / 10;
		const { strings } = pitchPrice(judgement.notes, centsBetween(hz(visit.a4), hz(a4)), judgement.near.tolerance);
		return { a4, strings };
	});
	const said = $derived(
		judgement
			? [
					...reasons(judgement, passes, visit.a4),
					...standingWords(standing(open, judgement), temperament),
					...(moves ? betweenPasses(open) : []),
					...effort(open, judgement, passes.length)
				]
			: []
	);
	/** The same instrument, temperament and pitch, on its twin. */
	const rehearsal = $derived(
		new URLSearchParams({
			...{ instrument: open.instrument.id, temperament: temperament.slug, a4: String(visit.a4) },
			stretch: stretchWord(visit.stretch)
		}).toString()
	);
	const season = $derived(judgement?.season);
	const standsNow = $derived(judgement && shifted(visit.a4, judgement.least.shift));

	async function takeRaise(pass: number) {
		open.replan({ raise: { ...raise, pass }, touch: null });
		await goto(`/visits/${visit.id}/set`);
	}
	/** Takes a plan without a raise; of some notes only, or of all. */
	async function takeSetting(touch: readonly TouchedNote[] | null) {
		open.touchOnly(touch);
		await goto(`/visits/${visit.id}/set`);
	}
	const kind = $derived(judgement?.verdict.kind);
	const isSpot = $derived(kind === 'spot' || kind === 'touchUp');
	/** What stands out could be touched alone, whatever else is asked for. */
	const couldSpot = $derived(!!judgement?.verdict.isEven && !isSpot && judgement.touched.length > 0);
</script>

<section class="judged" aria-label="Verdict">
	{#if judgement}
		<p class="headline" data-testid="verdict">{headline(judgement, passes.length, new Date())}</p>
		<ul class="reasons">
			{#each said as { text, figure, isGrave } (text)}
				<li class:grave={isGrave}><span>{text}</span><b class="mono">{figure}</b></li>
			{/each}
			{#if stands}
				<li>
					<span
						>It stands evenly at {inHz(stands.a4)} Hz. Left there, {stands.strings
							? counted(stands.strings, 'string')
							: 'no string'} would move.
						<button type="button" class="link" onclick={() => open.replan({ a4: stands.a4 })}
							>Leave it at that pitch</button
						></span
					><b class="mono">{signed(centsBetween(hz(visit.a4), hz(stands.a4)), 0)} cents</b>
				</li>
			{:else if judgement.barred && standsNow}
				<li>
					<span
						>It can be tuned at the pitch it stands at.
						<button type="button" class="link" onclick={() => open.replan({ a4: Math.round(10 * standsNow) / 10 })}
							>Plan for {inHz(standsNow)} Hz</button
						></span
					><b class="mono">{inHz(standsNow)} Hz</b>
				</li>
			{/if}
			{#if season?.isSeasons}
				<li>
					<span
						>{seasonWords(season)} It goes back by itself.
						{#if judgement.touched.length && !isSpot}
							<button type="button" class="link" onclick={() => takeSetting(judgement.touched)}
								>Leave it to the season, and touch only what stands out</button
							>
						{:else}<a class="link" href="/visits/{visit.id}/close">Leave it to the season</a>{/if}</span
					><b class="mono">{signed(season.explained)} cents</b>
				</li>
			{:else if couldSpot}
				<li>
					<span
						>The rest could be left as it stands.
						<button type="button" class="link" onclick={() => takeSetting(judgement.touched)}
							>Bring only {noteRuns(
								judgement.touched.map(({ note }) => note),
								noteName,
								3
							)} to {judgement.touched.length === 1 ? 'its' : 'their'} neighbours</button
						></span
					><b class="mono">{counted(judgement.touched.length, 'note')}</b>
				</li>
			{/if}
		</ul>
	{:else}
		<p class="headline" data-testid="verdict">{temperament.name} at {inHz(visit.a4)} Hz.</p>
		<p class="soft">
			Nothing has been read yet. <a class="anchor" href="/visits/{visit.id}/sound">Sound it out</a>, and the plan says
			what it needs.
		</p>
	{/if}
	{#if kind === 'leave' || isSpot}
		<button type="button" class="link all" onclick={() => takeSetting(null)}>Set every note all the same</button>
	{/if}
	{#if needsConsent && judgement && judgement.verdict.kind !== 'barred'}
		{#if trialAsked || consents.has('trial')}
			<Consent {open} to="trial" explained={TRIAL_EXPLAINED} consent={consents.get('trial')} />
		{/if}
		<Consent {open} to="raise" explained={raiseExplained(passes.length)} {consent} />
	{/if}
	<div class="go">
		{#if judgement?.verdict.kind === 'barred'}
			<p class="problem" role="alert">
				At {inHz(visit.a4)} Hz this plan cannot be taken: see to {judgement.barred!.part.name.toLowerCase()} in Arrive, or
				plan for a lower pitch.
			</p>
		{:else if moves}
			<button
				type="button"
				class="btn preset-filled-brand"
				disabled={needsConsent && !consent?.given}
				onclick={() => takeRaise(1)}>Take this plan and {judgement!.verdict.way === 'up' ? 'raise' : 'lower'}</button
			>
			{#if needsConsent}
				{#if consents.get('trial')?.given}
					<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => takeRaise(0)}
						>Try one string an octave first</button
					>
				{:else}
					<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => (trialAsked = true)}
						>Try a few strings first</button
					>
				{/if}
			{/if}
		{:else if kind === 'leave'}
			<a class="btn preset-filled-brand" href="/visits/{visit.id}/close">Leave it and close</a>
		{:else}
			<button
				type="button"
				class="btn preset-filled-brand"
				onclick={() => takeSetting(isSpot ? judgement!.touched : null)}>Take this plan and set</button
			>
		{/if}
		{#if judgement}
			<a class="btn preset-outlined-surface-300-700" href="/visits/{visit.id}/plan/page">For the owner</a>
		{/if}
		<!-- Before a raise there is no temperament to set yet. -->
		{#if !moves}<a class="btn preset-outlined-surface-300-700" href="/practice/bearings?{rehearsal}">Rehearse it</a
			>{/if}
	</div>
</section>

<style>
	.judged {
		display: grid;
		gap: 0.75rem;
		align-content: start;
	}
	.headline {
		font-family: var(--serif);
		font-size: 2rem;
		line-height: 1.15;
	}
	.reasons {
		border-top: 1px solid var(--line);
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 1rem;
		align-items: baseline;
		padding: 0.45rem 0;
		border-bottom: 1px solid var(--line);
		line-height: 1.35;
	}
	li b {
		text-align: right;
		white-space: nowrap;
	}
	.grave,
	.grave b {
		color: var(--warn);
	}
	.link {
		color: var(--felt);
		text-decoration: underline;
		min-height: 24px;
	}
	.all {
		justify-self: start;
	}
	.go {
		position: sticky;
		bottom: -1.25rem;
		background: var(--ground);
		padding: 0.5rem 0;
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
	}
</style>
