<script lang="ts">
	import {
		HELD_STRINGS,
		HELD_WITHIN,
		HOLDING,
		noteName,
		reachedIn,
		TEST_BLOWS,
		type DrillRegister,
		type SetTrial
	} from '@fendrel/core';
	import { onMount, untrack } from 'svelte';
	import { TurnableStrings } from '$lib/audio/turnable.svelte';
	import SetTrials from '$lib/charts/SetTrials.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { DRILL_WORDS } from './drillWords';
	import { HoldingSitting } from './holdingSitting.svelte';
	import { whenInterrupted } from './interruptions';
	import LeverKeys from './LeverKeys.svelte';
	import { HOLDING_KEYS, leverAction } from './practiceKeys';
	import { cameTo, habitWords } from './setWords';
	import { SittingKeeper } from './sittingKeeper.svelte';
	import SittingFrame from './SittingFrame.svelte';
	import { anySeed, type DrillView } from './view';

	interface Props extends DrillView {
		register: DrillRegister;
	}
	let { register, userId, strings, onagain }: Props = $props();

	const sound = new TurnableStrings();
	const { keeper, sitting, words } = untrack(() => {
		const keeper = new SittingKeeper(userId, { drill: HOLDING.id, register: register.id }, 1);
		const onanswered = (trials: readonly SetTrial[], isOver: boolean) => keeper.keep(trials, isOver);
		const now = () => performance.now() / 1000;
		const ground = { drill: HOLDING, register, sound, onanswered, strings, seed: anySeed(), now };
		return { keeper, sitting: new HoldingSitting(ground), words: DRILL_WORDS[HOLDING.id] };
	});
	let alive = $state(false);
	onMount(() => {
		alive = true;
		// What stands stands: only the sound is gone.
		const stop = whenInterrupted(() => sound.stop());
		return () => {
			stop();
			sound.close();
		};
	});

	function onkeydown(event: KeyboardEvent) {
		const action = leverAction(event);
		if (!action) return;
		event.preventDefault();
		if (action.do === 'turn') sitting.turn(action.by);
		else if (event.repeat) return;
		else if (action.do === 'strike') sitting.strike();
		else if (action.do === 'blow') sitting.strike(true);
		else if (action.do === 'stands') sitting.stand();
		else if (action.do === 'end') sitting.end();
	}

	const over = $derived(
		cameTo(reachedIn(HOLDING, register, sitting.trials), sitting.trials.length, HOLDING.kind, words)
	);
	const beneath = $derived(
		sitting.isOver
			? [over.beneath, habitWords(sitting.trials)].filter(Boolean).join(' ')
			: `Then ${TEST_BLOWS} firm blows. ${sitting.blows} given.`
	);
</script>

<svelte:window {onkeydown} />

<SittingFrame
	asks={sitting.isOver ? over.asks : `Set the second string of ${noteName(sitting.exercise.note)} so that it holds`}
	{beneath}
	isOver={sitting.isOver}
	count={sitting.done}
	most={HELD_STRINGS}
	did="done"
	problem={sound.problem}
	notice={sitting.notice}
	waits={keeper.waits}
	isPreparing={sound.isPreparing}
	onend={() => sitting.end()}
	{onagain}
>
	<LeverKeys disabled={!alive} onturn={(by) => sitting.turn(by)} />
	{#snippet acts()}
		<button type="button" class="btn preset-filled-brand" disabled={!alive} onclick={() => sitting.strike()}
			>Strike</button
		>
		<button
			type="button"
			class="btn preset-outlined-surface-300-700"
			disabled={!alive}
			onclick={() => sitting.strike(true)}>Firm blow</button
		>
		<button type="button" class="btn preset-outlined-surface-300-700" disabled={!alive} onclick={() => sitting.stand()}
			>It holds</button
		>
	{/snippet}
</SittingFrame>

{#if sitting.trials.length}
	<section aria-label="Answers">
		<h2 class="panel-heading">
			How far did each move in ten minutes? <span class="soft">cents; under {HELD_WITHIN} it held</span>
		</h2>
		<SetTrials
			offs={sitting.trials.map(({ set }) => set)}
			least={1}
			most={HELD_STRINGS}
			names={sitting.trials.map(({ note }) => noteName(note!))}
			label={(off) => off.toFixed(2)}
		/>
	</section>
{/if}
<Shortcuts keys={HOLDING_KEYS} />
