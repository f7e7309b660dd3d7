<script lang="ts">
	import { noteName, reachedIn, type DrillRegister, type PairDrill, type SetTrial } from '@fendrel/core';
	import { onMount, untrack } from 'svelte';
	import type { Listened } from '$lib/tuning/listened';
	import type { Plan } from '$lib/tuning/plan';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { DRILL_WORDS } from '../drillWords';
	import LeverKeys from '../LeverKeys.svelte';
	import { HEARD_OCTAVE_KEYS, onLeverKey, type LeverDoes } from '../practiceKeys';
	import { SITTING } from '../progress';
	import SetAnswers from '../SetAnswers.svelte';
	import { cameTo, tookWords } from '../setWords';
	import { SittingKeeper } from '../sittingKeeper.svelte';
	import SittingFrame from '../SittingFrame.svelte';
	import type { DrillView } from '../view';
	import { HeardOctave } from './heardOctave.svelte';
	import HeardSource from './HeardSource.svelte';
	import HeardStrikes from './HeardStrikes.svelte';
	import { HeardStrings, OPEN } from './heardStrings.svelte';
	import { fixed } from '$lib/ui/format';

	interface Props extends DrillView {
		drill: PairDrill;
		register: DrillRegister;
		listened: Listened;
		plan: Plan;
		a4: number;
	}
	let { drill, register, listened, plan, a4, userId, onagain }: Props = $props();

	const { keeper, sitting, heard, words } = untrack(() => {
		const keeper = new SittingKeeper(userId, { drill: drill.id, register: register.id }, 1);
		const heard = new HeardStrings(listened, plan, a4, OPEN.two, (strike) => sitting.heard(strike));
		const sitting: HeardOctave = new HeardOctave({
			...{ register, now: () => performance.now() / 1000 },
			onanswered: (trials: readonly SetTrial[], isOver) => keeper.keep(trials, isOver),
			ondue: (note) => heard.expect(note)
		});
		return { keeper, sitting, heard, words: DRILL_WORDS[drill.id] };
	});
	const isSimulated = $derived(heard.listening.simulated !== undefined);
	onMount(() => {
		const close = heard.start();
		return () => {
			sitting.end();
			close();
		};
	});
	/** The string that the simulated lever sits on. */
	let onLever = $state<0 | 1>(1);
	const LEVERS = [1, 0] as const;

	const { note, below, test, due } = $derived(sitting);
	/** What is to be heard by itself is struck by itself. */
	const together = (notes: readonly number[]) => due === undefined && heard.strikeTogether(notes);
	const does: LeverDoes = {
		turn: (by) => due === undefined && heard.turn(onLever, by),
		strike: () => heard.strike(),
		octave: () => together([below, note]),
		inner: () => together([test, below]),
		outer: () => together([test, note]),
		stands: () => sitting.stand(),
		leave: () => sitting.stand(),
		end: () => sitting.end()
	};
	const over = $derived(cameTo(reachedIn(drill, register, sitting.trials), sitting.trials.length, drill.kind, words));
	const asks = $derived.by(() => {
		if (sitting.isOver) return over.asks;
		if (due === undefined) return `Bring the pair ${noteName(note)} to a pure ${sitting.by.name} octave`;
		return `Strike ${noteName(due)} by itself${due === note ? ', two strings, the third muted' : ''}`;
	});
	const beneath = $derived.by(() => {
		if (sitting.isOver) return over.beneath;
		const { told } = sitting;
		if (told) {
			const sense = told.set < 0 ? 'narrow' : 'wide';
			return `The octave stands ${fixed(Math.abs(told.set), 2)} cents ${sense}, ${tookWords(told, 'strike')}.`;
		}
		if (due !== undefined)
			return sitting.phase === 'found' ? 'Then you work by ear; how far off it stands is not told.' : 'It is measured.';
		return `${noteName(below)} stands. Move one string, bring the other to it, and listen: ${noteName(test)} tests both notes.`;
	});
</script>

<svelte:window onkeydown={(event) => onLeverKey(event, does)} />

<HeardSource {heard} />

<SittingFrame
	{asks}
	{beneath}
	isOver={sitting.isOver}
	count={sitting.trials.length}
	most={SITTING.pair}
	did="done"
	problem={undefined}
	notice={sitting.notice}
	waits={keeper.waits}
	isPreparing={false}
	onend={() => sitting.end()}
	{onagain}
>
	<HeardStrikes {heard} name={noteName(due ?? note)} strikes={sitting.strikes} />
	{#if isSimulated && due === undefined}
		<div class="lever">
			<span>The lever sits on</span>
			{#each LEVERS as string (string)}
				<label
					><input type="radio" name="lever" class="radio" value={string} bind:group={onLever} />
					{string === 0 ? 'the string that leads' : 'the other string'}</label
				>
			{/each}
		</div>
		<LeverKeys onturn={does.turn} />
	{/if}
	{#snippet acts()}
		{#if isSimulated}
			<button type="button" class="btn preset-filled-brand" onclick={does.strike}>Strike {noteName(due ?? note)}</button
			>
			{#if due === undefined}
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={does.octave}>Octave</button>
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={does.inner}
					>{noteName(test)} with {noteName(below)}</button
				>
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={does.outer}
					>{noteName(test)} with {noteName(note)}</button
				>
			{/if}
		{/if}
		{#if due === undefined}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={does.leave}>The octave is pure</button>
		{/if}
	{/snippet}
</SittingFrame>

<SetAnswers asks="Where does each pair stand?" trials={sitting.trials} most={SITTING.pair} below="narrow" />
<Shortcuts keys={HEARD_OCTAVE_KEYS} />

<style>
	.lever {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem 1.5rem;
		align-items: center;
	}
</style>
