<script lang="ts">
	import { reachedIn, toldIn, type ChoiceDrill, type ChoiceRegister, type Trial } from '@fendrel/core';
	import { untrack } from 'svelte';
	import { Player } from '$lib/audio/player.svelte';
	import EarTrials from '$lib/charts/EarTrials.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { ChoiceSitting } from './choiceSitting.svelte';
	import { CHOICE_WORDS, thresholdWords } from './drillWords';
	import { DRILL_KEYS, drillAction, NAMED_KEYS } from './practiceKeys';
	import { SITTING } from './progress';
	import { SittingKeeper } from './sittingKeeper.svelte';
	import SittingFrame from './SittingFrame.svelte';
	import { anySeed, type DrillView } from './view';
	import { whileHere } from './whileHere';

	interface Props extends DrillView {
		drill: ChoiceDrill;
		register: ChoiceRegister;
	}
	let { drill, register, userId, strings, earlier, conditions, onagain }: Props = $props();
	/** The server gets what has been answered after each so many. */
	const SEND_EACH = 5;

	const player = new Player();
	const { keeper, sitting, words } = untrack(() => {
		const keeper = new SittingKeeper(userId, { drill: drill.id, register: register.id }, SEND_EACH);
		const onanswered = (trials: readonly Trial[], isOver: boolean) => keeper.keep(trials, isOver);
		const { isFalse } = conditions;
		const ground = { drill, register, player, onanswered, earlier: toldIn(earlier), strings, isFalse, seed: anySeed() };
		return { keeper, sitting: new ChoiceSitting(ground), words: CHOICE_WORDS[drill.id] };
	});
	whileHere({
		interrupted: (why) => sitting.interrupt(why),
		left: () => {
			sitting.end();
			player.close();
		}
	});

	function onkeydown(event: KeyboardEvent) {
		const action = drillAction(event);
		if (!action || event.repeat) return;
		event.preventDefault();
		if (action.do === 'end') sitting.end();
		else if (action.do === 'choose') sitting.choose(action.which);
		else if (action.do === 'take') {
			if (sitting.isNamed) sitting.markNext();
			else sitting.choose(sitting.heard);
		} else if (event.key === 'PageUp' && sitting.marked !== undefined) sitting.choose(sitting.marked);
		else void sitting.play();
	}

	const nameOf = (answer: number) => register.answers?.[answer] ?? String(answer + 1);
	const reached = $derived(reachedIn(drill, register, sitting.trials, 5));
	const asks = $derived.by(() => {
		if (sitting.isOver) {
			if (sitting.trials.length === 0) return 'Nothing was answered.';
			if (reached.isGuessed) return 'These were guesses: no threshold is kept of them.';
			return reached.figure ? words.size(reached.figure.size) : 'Too few answers to say what you hear.';
		}
		const { told } = sitting;
		if (!told) return words.asks;
		const was = words.was(nameOf(told.right), words.size(told.size), told);
		return told.chosen === told.right ? `Yes, ${was}.` : `No: ${was}.`;
	});
	const beneath = $derived.by(() => {
		if (!sitting.isOver || !reached.figure || reached.isGuessed) return undefined;
		const lean = reached.lean && words.leans?.(reached.lean);
		return [`${thresholdWords(reached.figure, words)}.`, words.means(reached.figure), lean].filter(Boolean).join(' ');
	});
	/** What is said under an answer. */
	function stateOf(i: number): string {
		if (sitting.sounding === i) return 'sounds';
		if (sitting.told?.right === i) return 'this one';
		if (sitting.told?.chosen === i) return 'you said';
		return sitting.marked === i ? 'marked' : '';
	}
</script>

<svelte:window {onkeydown} />

<SittingFrame
	{asks}
	{beneath}
	isOver={sitting.isOver}
	count={sitting.trials.length}
	most={SITTING.choice}
	problem={player.problem}
	notice={sitting.notice}
	isTired={sitting.isTired}
	waits={keeper.waits}
	isPreparing={player.preparing !== undefined}
	onend={() => sitting.end()}
	{onagain}
>
	<div class="choices" role="group" aria-label={words.asks} data-asked={sitting.isAsked}>
		{#each { length: sitting.choices } as _, i (i)}
			<button
				type="button"
				class="one"
				class:named={sitting.isNamed}
				class:sounds={sitting.sounding === i || sitting.marked === i}
				class:right={sitting.told?.right === i}
				class:wrong={sitting.told?.chosen === i && sitting.told.right !== i}
				disabled={!sitting.isAsked}
				aria-label={`It is ${nameOf(i)}`}
				onclick={() => sitting.choose(i)}
				><span class="number">{nameOf(i)}</span><span class="state">{stateOf(i)}</span></button
			>
		{/each}
	</div>
	{#snippet acts()}
		<button
			type="button"
			class="btn preset-filled-brand"
			disabled={player.preparing !== undefined}
			onclick={() => void sitting.play()}>{sitting.isAsked ? 'Once more' : sitting.told ? 'Next' : 'Play'}</button
		>
	{/snippet}
</SittingFrame>

<section aria-label="Answers">
	<h2 class="panel-heading">
		What was played, and what did you hear? <span class="soft"
			>{words.unit}; dots right, crosses wrong, dashed your threshold</span
		>
	</h2>
	<EarTrials
		trials={sitting.trials}
		smallest={register.task.smallest}
		largest={register.task.largest}
		most={SITTING.choice}
		threshold={reached.figure}
		label={words.figure}
	/>
</section>
<Shortcuts keys={sitting.isNamed ? NAMED_KEYS : DRILL_KEYS} />

<style>
	.choices {
		display: flex;
		gap: 1px;
		border-block: 1px solid var(--line);
	}
	.one {
		display: grid;
		justify-items: center;
		width: min(12rem, 28vw);
		padding: 0.4rem 0 0.6rem;
		border-bottom: 5px solid transparent;
		cursor: pointer;
	}
	.one:disabled {
		cursor: default;
		opacity: 1;
	}
	.number {
		font-size: 6rem;
		line-height: 1.05;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
	}
	.named .number {
		font-size: 3.4rem;
		line-height: 1.5;
	}
	.state {
		min-height: 1.4rem;
		color: var(--soft);
	}
	.sounds {
		border-bottom-color: var(--felt);
	}
	.sounds .number {
		color: var(--felt);
	}
	.right {
		border-bottom-color: var(--felt);
	}
	.right .state {
		color: var(--felt);
		font-weight: 700;
	}
	.wrong .number {
		color: var(--soft);
		text-decoration: line-through;
		text-decoration-thickness: 3px;
	}
</style>
