<script lang="ts">
	import { noteName, reachedIn, type DrillRegister, type SetTrial, type SettingDrill } from '@fendrel/core';
	import { untrack } from 'svelte';
	import { TurnableStrings } from '$lib/audio/turnable.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { DRILL_WORDS } from './drillWords';
	import LeverKeys from './LeverKeys.svelte';
	import { onLeverKey, SETTING_KEYS, type LeverDoes } from './practiceKeys';
	import { SITTING } from './progress';
	import SetAnswers from './SetAnswers.svelte';
	import { SettingSitting } from './settingSitting.svelte';
	import { cameTo, tookWords } from './setWords';
	import { SittingKeeper } from './sittingKeeper.svelte';
	import SittingFrame from './SittingFrame.svelte';
	import { anySeed, type DrillView } from './view';
	import { whileHere } from './whileHere';
	import { fixed } from '$lib/ui/format';

	interface Props extends DrillView {
		drill: SettingDrill;
		register: DrillRegister;
	}
	let { drill, register, userId, strings, conditions, onagain }: Props = $props();

	const sound = new TurnableStrings();
	const { keeper, sitting, words } = untrack(() => {
		const keeper = new SittingKeeper(userId, { drill: drill.id, register: register.id }, 1);
		const onanswered = (trials: readonly SetTrial[], isOver: boolean) => keeper.keep(trials, isOver);
		const now = () => performance.now() / 1000;
		const { isFalse } = conditions;
		const ground = { drill, register, sound, onanswered, strings, isFalse, seed: anySeed(), now };
		return { keeper, sitting: new SettingSitting(ground), words: DRILL_WORDS[drill.id] };
	});
	whileHere({
		interrupted: (why) => sitting.interrupt(why),
		left: () => {
			sitting.end();
			sound.close();
		}
	});

	const does: LeverDoes = {
		turn: (by) => sitting.turn(by),
		strike: () => sitting.strike(),
		stands: () => sitting.stand(),
		end: () => sitting.end()
	};

	const reached = $derived(reachedIn(drill, register, sitting.trials));
	const over = $derived(cameTo(reached, sitting.trials.length, drill.kind, words));
	const due = $derived(
		sitting.exercise.asked === 0
			? `Bring the two strings of ${noteName(sitting.exercise.note)} together`
			: `Set the strings of ${noteName(sitting.exercise.note)} ${sitting.exercise.asked} ${sitting.exercise.asked === 1 ? 'cent' : 'cents'} apart`
	);
	const told = $derived.by(() => {
		const { told } = sitting;
		if (!told) return undefined;
		const apart = fixed(Math.abs(told.set), 2);
		const what = told.asked === 0 ? `${apart} cents apart` : `${apart} cents, for ${told.asked} asked`;
		return `${what}, ${tookWords(told, 'strike')}.`;
	});
</script>

<svelte:window onkeydown={(event) => onLeverKey(event, does)} />

<SittingFrame
	asks={sitting.isOver ? over.asks : due}
	beneath={sitting.isOver ? over.beneath : told}
	isOver={sitting.isOver}
	count={sitting.trials.length}
	most={SITTING.setting}
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
		<button type="button" class="btn preset-filled-brand" onclick={() => sitting.strike()}>Strike</button>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => sitting.stand()}>It stands</button>
	{/snippet}
</SittingFrame>

<SetAnswers
	asks="How far off was each?"
	trials={sitting.trials}
	most={SITTING.setting}
	below={drill.id === 'apart' ? 'too little' : 'flat'}
	isShare={drill.id === 'apart'}
/>
<Shortcuts keys={SETTING_KEYS} />
