<script lang="ts">
	import {
		HELD_STRINGS,
		HOLDING,
		noteName,
		reachedIn,
		TEST_BLOWS,
		type DrillRegister,
		type SetTrial
	} from '@fendrel/core';
	import { untrack } from 'svelte';
	import { TurnableStrings } from '$lib/audio/turnable.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { DRILL_WORDS } from './drillWords';
	import { HoldingSitting } from './holdingSitting.svelte';
	import BlowButtons from './BlowButtons.svelte';
	import HeldAnswers from './HeldAnswers.svelte';
	import LeverKeys from './LeverKeys.svelte';
	import { HOLDING_KEYS, onLeverKey, type LeverDoes } from './practiceKeys';
	import { cameTo, habitWords } from './setWords';
	import { SittingKeeper } from './sittingKeeper.svelte';
	import SittingFrame from './SittingFrame.svelte';
	import { anySeed, type DrillView } from './view';
	import { whileHere } from './whileHere';

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
	whileHere({
		// What stands stands: only the sound is gone.
		interrupted: () => sound.stop(),
		left: () => {
			sound.close();
		}
	});

	const does: LeverDoes = {
		turn: (by) => sitting.turn(by),
		strike: () => sitting.strike(),
		blow: () => sitting.strike(true),
		stands: () => sitting.stand(),
		end: () => sitting.end()
	};

	const over = $derived(
		cameTo(reachedIn(HOLDING, register, sitting.trials), sitting.trials.length, HOLDING.kind, words)
	);
	const beneath = $derived(
		sitting.isOver
			? [over.beneath, habitWords(sitting.trials)].filter(Boolean).join(' ')
			: `Then ${TEST_BLOWS} firm blows. ${sitting.blows} given.`
	);
</script>

<svelte:window onkeydown={(event) => onLeverKey(event, does)} />

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
	<LeverKeys onturn={(by) => sitting.turn(by)} />
	{#snippet acts()}
		<BlowButtons onstrike={does.strike!} onblow={does.blow!} onstand={does.stands!} stands="It holds" />
	{/snippet}
</SittingFrame>

<HeldAnswers trials={sitting.trials} />
<Shortcuts keys={HOLDING_KEYS} />
