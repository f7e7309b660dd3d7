<script lang="ts">
	import { noteName, PAIR_WITHIN, reachedIn, type DrillRegister, type PairDrill, type SetTrial } from '@fendrel/core';
	import { untrack } from 'svelte';
	import { TurnableStrings } from '$lib/audio/turnable.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { DRILL_WORDS } from './drillWords';
	import LeverKeys from './LeverKeys.svelte';
	import { PairSitting } from './pairSitting.svelte';
	import { OCTAVE_KEYS, onLeverKey, SETTING_KEYS, type LeverDoes } from './practiceKeys';
	import { SITTING } from './progress';
	import SetAnswers from './SetAnswers.svelte';
	import { cameTo, tookWords } from './setWords';
	import { SittingKeeper } from './sittingKeeper.svelte';
	import SittingFrame from './SittingFrame.svelte';
	import { anySeed, type DrillView } from './view';
	import { whileHere } from './whileHere';
	import { fixed } from '$lib/ui/format';

	interface Props extends DrillView {
		drill: PairDrill;
		register: DrillRegister;
	}
	let { drill, register, userId, strings, hand, conditions, onagain }: Props = $props();

	const sound = new TurnableStrings();
	const { keeper, sitting, words } = untrack(() => {
		const keeper = new SittingKeeper(userId, { drill: drill.id, register: register.id }, 1);
		const onanswered = (trials: readonly SetTrial[], isOver: boolean) => keeper.keep(trials, isOver);
		const now = () => performance.now() / 1000;
		const { isFalse } = conditions;
		const ground = { drill, register, sound, onanswered, strings, hand, isFalse, seed: anySeed(), now };
		return { keeper, sitting: new PairSitting(ground), words: DRILL_WORDS[drill.id] };
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
		end: () => sitting.end(),
		octave: () => sitting.octave(),
		inner: () => sitting.test('inner'),
		outer: () => sitting.test('outer'),
		leave: () => sitting.leave()
	};

	const { octave, note } = $derived(sitting.exercise);
	const reached = $derived(reachedIn(drill, register, sitting.trials));
	const over = $derived(cameTo(reached, sitting.trials.length, drill.kind, words));
	const sense = (off: number) => (off < 0 ? 'flat' : 'sharp');
	const due = $derived.by(() => {
		const { state, isMatching } = sitting;
		if (isMatching) return `Bring the other string of ${noteName(note)} to it`;
		if (octave) return `Bring the pair ${noteName(note)} to a pure ${octave.name} octave`;
		const by = fixed(Math.abs(state.by), 1);
		return `Move one string of ${noteName(note)} ${by} cents ${state.by < 0 ? 'down' : 'up'}`;
	});
	const stood = $derived.by(() => {
		const { told, state, par } = sitting;
		if (told) {
			const left = `${fixed(Math.abs(told.set), 2)} cents ${sense(told.set)}`;
			return `The pair stands ${left}, ${tookWords(told, 'try')}${octave ? '' : `; the par was ${told.par}`}.`;
		}
		if (octave) return `${noteName(note - 12)} stands. Move one string, bring the other to it, and listen again.`;
		if (state.stood === undefined) return undefined;
		const stands = `The clean pair stands ${fixed(Math.abs(state.stood), 1)} cents ${sense(state.stood)}`;
		return `${stands}. Try ${state.tries + 1}, par ${par}; within ${PAIR_WITHIN} it stands.`;
	});
</script>

<svelte:window onkeydown={(event) => onLeverKey(event, does)} />

<SittingFrame
	asks={sitting.isOver ? over.asks : due}
	beneath={sitting.isOver ? over.beneath : stood}
	isOver={sitting.isOver}
	count={sitting.trials.length}
	most={SITTING.pair}
	did="done"
	problem={sound.problem}
	notice={sitting.notice}
	waits={keeper.waits}
	isPreparing={sound.isPreparing}
	onend={() => sitting.end()}
	{onagain}
>
	{#if !octave}
		<p class="beat">
			<b>{sitting.isMatching ? '0' : fixed(sitting.asked, 1)}</b><span class="soft"
				>{sitting.isMatching ? 'beats: still' : 'beats a second between them'}</span
			>
		</p>
	{/if}
	<LeverKeys onturn={(by) => sitting.turn(by)} />
	{#snippet acts()}
		<button type="button" class="btn preset-filled-brand" onclick={() => sitting.strike()}>Strike the pair</button>
		{#if octave}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => sitting.octave()}>Octave</button>
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => sitting.test('inner')}
				>{noteName(octave.test.note)} with {noteName(octave.reference.note)}</button
			>
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => sitting.test('outer')}
				>{noteName(octave.test.note)} with {noteName(note)}</button
			>
		{/if}
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => sitting.stand()}
			>{sitting.isMatching ? 'They are one' : 'It is moved'}</button
		>
		{#if octave && !sitting.isMatching}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => sitting.leave()}
				>The octave is pure</button
			>
		{/if}
	{/snippet}
</SittingFrame>

<SetAnswers
	asks="Where does each pair stand?"
	trials={sitting.trials}
	most={SITTING.pair}
	below="flat"
	phase={sitting.state.phase}
/>
<Shortcuts keys={octave ? OCTAVE_KEYS : SETTING_KEYS} />

<style>
	.beat {
		display: flex;
		gap: 0.8rem;
		align-items: baseline;
	}
	.beat b {
		font-size: 6rem;
		line-height: 1;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
	}
</style>
