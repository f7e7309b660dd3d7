<script lang="ts" generics="Body">
	import { memberOf, nearestNote, hz, noteName } from '@fendrel/core';
	import { pairName } from '$lib/ui/beats';
	import { askedBeat, leverString, type PairWork } from './pairWork';
	import type { SetSession } from './session.svelte';
	import { fixed } from '$lib/ui/format';

	interface Props {
		session: SetSession<Body>;
		pair: PairWork;
		a4: number;
	}
	let { session, pair, a4 }: Props = $props();
	const { partial, frequency } = $derived(session.carrier);
	const step = $derived(session.setting.step);
	const at = $derived(noteName(nearestNote(hz(frequency), hz(a4)).note));
	const asked = $derived(askedBeat(pair, frequency));
	const lever = $derived(memberOf(leverString(pair)));
	const { state } = $derived(pair);
	const interval = $derived(
		step.against === undefined
			? undefined
			: pairName({ lower: Math.min(step.note, step.against), upper: Math.max(step.note, step.against) })
	);
	const judged = $derived(interval ? `judged in ${interval}` : 'judged by the reading');
	const PHASES = $derived([
		{ id: 'clean', text: 'Bring both together until nothing moves.' },
		{
			id: 'move',
			text:
				asked === undefined
					? 'One moves by what is needed: its beat against the other shows how far.'
					: `Move ${memberOf(pair.moved)} ${state.by > 0 ? 'up' : 'down'} until both beat ${fixed(asked, 1)} a second at ${at}.`
		},
		{ id: 'shade', text: 'Under half a cent: move one a shade, and listen again.' },
		{ id: 'match', text: `Bring ${memberOf(pair.leads)} to it, until nothing moves.` },
		{ id: 'done', text: `It stands, ${judged}.` }
	] as const);
	const shown = $derived(PHASES.filter(({ id }) => id !== 'shade' || state.phase === 'shade'));
</script>

<section aria-label="Pair method">
	<h2 class="panel-heading">
		By pair <span>{memberOf(pair.leads)} and {memberOf(pair.moved)}, partial {partial}</span>
	</h2>
	<ol>
		{#each shown as { id, text } (id)}
			<li aria-current={id === state.phase ? 'step' : undefined}>{text}</li>
		{/each}
	</ol>
	<p class="soft">
		{state.tries === 0 ? 'No try yet' : state.tries === 1 ? 'One try' : `${state.tries} tries`}. Lever on {lever}.
		{#if state.scale > 1.05}The last move fell short: the next asks for more.{:else if state.scale < 0.95}The last move
			went too far: the next asks for less.{/if}
	</p>
</section>

<style>
	li {
		padding: 0.4rem 0 0.4rem 0.75rem;
		border-left: 4px solid transparent;
		line-height: 1.35;
		color: var(--soft);
	}
	[aria-current] {
		border-left-color: var(--felt);
		color: var(--ink);
		font-weight: 600;
	}
	p {
		font-size: 0.92rem;
		margin-top: 0.5rem;
	}
</style>
