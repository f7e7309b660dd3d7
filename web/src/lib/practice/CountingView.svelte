<script lang="ts">
	import { reachedIn, type CountingDrill, type DrillRegister, type SetTrial } from '@fendrel/core';
	import { untrack } from 'svelte';
	import { Player } from '$lib/audio/player.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { CountingSitting } from './countingSitting.svelte';
	import { DRILL_WORDS } from './drillWords';
	import { COUNTING_KEYS, countingAction } from './practiceKeys';
	import { SITTING } from './progress';
	import SetAnswers from './SetAnswers.svelte';
	import { cameTo } from './setWords';
	import { SittingKeeper } from './sittingKeeper.svelte';
	import SittingFrame from './SittingFrame.svelte';
	import TapBeat from './TapBeat.svelte';
	import { anySeed, type DrillView } from './view';
	import { whileHere } from './whileHere';
	import { fixed } from '$lib/ui/format';

	interface Props extends DrillView {
		drill: CountingDrill;
		register: DrillRegister;
	}
	let { drill, register, userId, strings, onagain }: Props = $props();

	const player = new Player();
	const { keeper, sitting, words } = untrack(() => {
		const keeper = new SittingKeeper(userId, { drill: drill.id, register: register.id }, 1);
		const onanswered = (trials: readonly SetTrial[], isOver: boolean) => keeper.keep(trials, isOver);
		const ground = { drill, register, player, onanswered, strings, seed: anySeed() };
		return { keeper, sitting: new CountingSitting(ground), words: DRILL_WORDS[drill.id] };
	});
	whileHere({
		interrupted: (why) => sitting.interrupt(why),
		left: () => {
			sitting.end();
			player.close();
		}
	});

	const does = {
		play: () => void sitting.play(),
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

	const reached = $derived(reachedIn(drill, register, sitting.trials));
	const over = $derived(cameTo(reached, sitting.trials.length, drill.kind, words));
	const told = $derived.by(() => {
		const { told } = sitting;
		if (!told) return 'Tap while it sounds, beat by beat.';
		return `You counted ${fixed(told.set, 2)}; it beat ${fixed(told.asked, 2)} a second.`;
	});
</script>

<svelte:window {onkeydown} />

<SittingFrame
	asks={sitting.isOver ? over.asks : 'How often does it beat?'}
	beneath={sitting.isOver ? over.beneath : told}
	isOver={sitting.isOver}
	count={sitting.trials.length}
	most={SITTING.counting}
	problem={player.problem}
	notice={sitting.notice}
	waits={keeper.waits}
	isPreparing={player.preparing !== undefined}
	onend={() => sitting.end()}
	{onagain}
>
	<TapBeat rate={sitting.rate} count={sitting.taps.length} ontap={does.tap} />
	{#snippet acts()}
		<button type="button" class="btn preset-filled-brand" disabled={player.preparing !== undefined} onclick={does.play}
			>Play</button
		>
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
