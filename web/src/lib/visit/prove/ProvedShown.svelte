<script lang="ts">
	import { beatOf, nearestNote, hz, noteName } from '@fendrel/core';
	import { inversionWords } from '$lib/pairs/inversionWords';
	import { besideAsked, errorWords, heardRate, refusedWords, unsidedWords, untoldWords } from '$lib/pairs/pairWords';
	import { pairName } from '$lib/ui/beats';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { Proved } from './proved';
	import { provedKind, type ProveSession } from './proveSession.svelte';
	import { driftWords, neighbours } from './proveWords';
	import { fixed } from '$lib/ui/format';

	interface Props {
		open: KeyboardVisit;
		session: ProveSession;
		proved: Proved;
	}
	let { open, session, proved }: Props = $props();
	const { pairs } = $derived(session);
	const pair = $derived(session.shown && 'lower' in session.shown ? session.shown : undefined);
	const note = $derived(session.shown && 'note' in session.shown ? session.shown.note : undefined);
	const kind = $derived(pair && provedKind(pair.lower, pair.upper));
	const beat = $derived(kind && pairs.heard(pair!.lower, pair!.upper, kind.lowerPartial, kind.upperPartial));
	const asked = $derived.by(() => {
		const [low, high] = [pair && open.plan.targetOf(pair.lower), pair && open.plan.targetOf(pair.upper)];
		return low && high && kind ? beatOf(low.string, high.string, kind).rate : undefined;
	});
	const treads = $derived([...proved.staircases.values()].find(([first]) => first?.kind === kind) ?? []);
	const inversion = $derived(
		pair && proved.inversions.find(({ to }) => to.lower === pair.lower && to.upper === pair.upper)
	);
	const drift = $derived(proved.drifts.find((each) => each.note === note)?.drift);
	const unison = $derived(proved.unisons.find((each) => each.note === note));
</script>

<section class="shown" aria-live="polite" data-testid="shown" data-told={pairs.told}>
	{#if pairs.word?.kind === 'refused' && pairs.word.only === undefined}<p class="notice">
			{refusedWords(pairs.word)}
		</p>{/if}
	{#if pair}
		<p class="soft">You played</p>
		<p class="name">{pairName(pair)}</p>
		{#if beat}
			<p class="figure">
				<b>{heardRate(beat)}</b>
				{#if beat.certainty !== 'not to be said'}<span
						>beats a second, ±{errorWords(beat.error)}<br />heard at {noteName(
							nearestNote(hz(beat.heardAt), hz(open.visit.a4)).note
						)}</span
					>{/if}
			</p>
			{#if beat.certainty === 'not to be said'}<p>Why: {untoldWords(beat)}.</p>{/if}
			<dl>
				{#if asked !== undefined}<dt>The plan asks for</dt>
					<dd>
						{fixed(Math.abs(asked), 1)}{beat.certainty === 'not to be said' ? '' : `, ${besideAsked(beat, asked)}`}
					</dd>{/if}
				{#each neighbours(treads, pair.lower) as { tread, is } (is)}
					<dt>{pairName(tread)} {is}</dt>
					<dd>{fixed(Math.abs(tread.found), 1)}</dd>
				{/each}
			</dl>
			{#if inversion}<p class="said">{inversionWords(inversion)}</p>{/if}
			{#if unsidedWords(beat)}<p class="soft">{unsidedWords(beat)}</p>{/if}
		{:else}<p>Nothing is heard where that interval is judged.</p>{/if}
	{:else if note !== undefined}
		<p class="soft">You played</p>
		<p class="name">{noteName(note)}</p>
		{#if drift !== undefined}<p class="said">{driftWords(drift)}</p>{/if}
		{#if unison}
			<p>
				{unison.apart === 0
					? 'Its unison is still.'
					: `Its strings lie ${fixed(unison.apart, 1)} cents apart`}{unison.apart
					? `; up to ${fixed(unison.limit, 1)} are let be.`
					: ''}
			</p>
		{/if}
		{#if drift === undefined && !unison}<p class="soft">
				It was not set in this visit. It is on record as it stands.
			</p>{/if}
	{:else if pairs.listening.state === 'on'}
		<p class="soft">Strike two keys to judge them, or one alone to see whether it has held.</p>
	{:else}
		<p class="soft">Press Listen, then strike two keys, or one alone.</p>
	{/if}
</section>

<style>
	.shown {
		display: grid;
		gap: 0.4rem;
		align-content: start;
	}
	.name {
		font-size: 2.6rem;
		font-weight: 700;
		line-height: 1.1;
	}
	.figure {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
		align-items: center;
	}
	.figure b {
		font-size: 2.4rem;
		line-height: 1.1;
		color: var(--felt);
	}
	.figure span {
		color: var(--soft);
		line-height: 1.3;
	}
	.said {
		font-family: var(--serif);
		font-size: 1.35rem;
	}
	dl {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
	}
	dt,
	dd {
		padding: 0.35rem 0;
		border-top: 1px solid var(--line);
	}
	dd {
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
</style>
