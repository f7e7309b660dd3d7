<script lang="ts">
	import { noteName, reachedIn, type CountingDrill, type DrillRegister, type SetTrial } from '@fendrel/core';
	import { onMount, untrack } from 'svelte';
	import ListenBar from '$lib/pairs/ListenBar.svelte';
	import { PairListening } from '$lib/pairs/pairListening.svelte';
	import { refusedWords } from '$lib/pairs/pairWords';
	import type { Listened } from '$lib/tuning/listened';
	import type { Plan } from '$lib/tuning/plan';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { DRILL_WORDS } from '../drillWords';
	import { COUNTING_KEYS, countingAction } from '../practiceKeys';
	import { SITTING } from '../progress';
	import SetAnswers from '../SetAnswers.svelte';
	import { cameTo } from '../setWords';
	import { SittingKeeper } from '../sittingKeeper.svelte';
	import SittingFrame from '../SittingFrame.svelte';
	import TapBeat from '../TapBeat.svelte';
	import { anySeed, type DrillView } from '../view';
	import { HeardCounting } from './heardCounting.svelte';
	import { fixed } from '$lib/ui/format';

	interface Props extends DrillView {
		drill: CountingDrill;
		register: DrillRegister;
		listened: Listened;
		plan: Plan;
		a4: number;
	}
	let { drill, register, listened, plan, a4, userId, onagain }: Props = $props();

	const { keeper, sitting, pairs, words } = untrack(() => {
		const keeper = new SittingKeeper(userId, { drill: drill.id, register: register.id }, 1);
		const onanswered = (trials: readonly SetTrial[], isOver: boolean) => keeper.keep(trials, isOver);
		const pairs = new PairListening(listened, { plan, a4, asked: [] });
		const sitting = new HeardCounting({
			...{ register, onanswered, seed: anySeed(), now: () => performance.now() / 1000 },
			ondue: (lower) => pairs.forget(lower),
			heard: (lower, upper, { lowerPartial, upperPartial }) => {
				const beat = pairs.heard(lower, upper, lowerPartial, upperPartial);
				return beat && beat.certainty !== 'not to be said' ? beat.rate : undefined;
			}
		});
		return { keeper, sitting, pairs, words: DRILL_WORDS[drill.id] };
	});
	const asked = $derived.by(() => {
		const { lower, upper, kind } = sitting;
		return [{ lower, upper, meetings: [[kind.lowerPartial, kind.upperPartial]] as const }];
	});
	$effect(() => pairs.follow(listened, { plan, a4, asked }));
	onMount(() => {
		const close = pairs.open();
		return () => {
			sitting.end();
			close();
		};
	});

	const strike = () => pairs.strike([sitting.lower, sitting.upper]);
	const does = {
		play: strike,
		tap: () => sitting.tap(),
		count: () => sitting.count(),
		anew: () => sitting.anew(),
		end: () => sitting.end()
	};
	function onkeydown(event: KeyboardEvent) {
		const action = countingAction(event);
		if (!action || event.repeat) return;
		event.preventDefault();
		does[action]();
	}

	const over = $derived(cameTo(reachedIn(drill, register, sitting.trials), sitting.trials.length, drill.kind, words));
	const name = $derived(`${noteName(sitting.lower)}-${noteName(sitting.upper)}`);
	const beneath = $derived.by(() => {
		const { told } = sitting;
		if (told) return `You counted ${fixed(told.set, 2)}; ${fixed(told.asked, 2)} a second were heard.`;
		if (pairs.word?.kind === 'refused') return refusedWords(pairs.word);
		return `Strike both keys, one string each, and tap the beat. ${pairs.word?.kind === 'heard' ? 'It has been heard.' : ''}`;
	});
</script>

<svelte:window {onkeydown} />

<div class="listen"><ListenBar {pairs} /></div>
<SittingFrame
	asks={sitting.isOver ? over.asks : `How often does ${name} beat?`}
	beneath={sitting.isOver ? over.beneath : beneath}
	isOver={sitting.isOver}
	count={sitting.trials.length}
	most={SITTING.counting}
	problem={undefined}
	notice={sitting.notice}
	waits={keeper.waits}
	isPreparing={false}
	onend={does.end}
	{onagain}
>
	<TapBeat rate={sitting.rate} count={sitting.taps.length} ontap={does.tap} />
	{#snippet acts()}
		{#if pairs.listening.simulated}
			<button type="button" class="btn preset-filled-brand" onclick={strike}>Strike {name}</button>
		{/if}
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={does.count}>That is the count</button>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={does.anew}>Tap anew</button>
	{/snippet}
</SittingFrame>

<SetAnswers
	asks="How far off was each count?"
	trials={sitting.trials}
	most={SITTING.counting}
	below="too slow"
	isShare
/>
<Shortcuts keys={COUNTING_KEYS} />

<style>
	.listen {
		margin-top: 1rem;
	}
</style>
