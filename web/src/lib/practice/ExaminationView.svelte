<script lang="ts">
	import {
		beatOf,
		bearingPlan,
		createRandom,
		examinedTasks,
		FULL_EXAMINATION,
		noteName,
		type DrillRegister,
		type Ear,
		type ExaminationBands,
		type SetTrial
	} from '@fendrel/core';
	import { untrack } from 'svelte';
	import { TurnableStrings } from '$lib/audio/turnable.svelte';
	import { EXAMINED_NAMES, outOf100 } from '$lib/settings/examinedNames';
	import ExaminedSections from '$lib/settings/ExaminedSections.svelte';
	import { shortRate } from '$lib/tuning/bearingWords';
	import type { TuningChoice } from '$lib/tuning/choice';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { ExaminationSitting } from './examinationSitting.svelte';
	import { gearOf } from './leverHand';
	import BlowButtons from './BlowButtons.svelte';
	import LeverKeys from './LeverKeys.svelte';
	import { HOLDING_KEYS, onLeverKey, type LeverDoes } from './practiceKeys';
	import { SittingKeeper } from './sittingKeeper.svelte';
	import SittingFrame from './SittingFrame.svelte';
	import { anySeed, type DrillView } from './view';
	import { whileHere } from './whileHere';

	interface Props extends DrillView {
		register: DrillRegister;
		choice: TuningChoice;
		school: string;
		ear: Ear;
		bands: ExaminationBands;
	}
	let { register, choice, school, ear, bands, userId, strings, onagain }: Props = $props();

	const sound = new TurnableStrings();
	const { keeper, sitting, tasks } = untrack(() => {
		const { temperament } = choice;
		const plan = bearingPlan({ school, start: 69, low: 53, high: 65, strings, temperament, ear });
		const random = createRandom(anySeed());
		const tasks = examinedTasks(
			plan,
			(lower, upper, kind) => beatOf(strings(lower), strings(upper), kind).rate,
			random
		);
		const keeper = new SittingKeeper(userId, { drill: FULL_EXAMINATION.id, register: register.id }, 1);
		const onanswered = (trials: readonly SetTrial[], isOver: boolean) => keeper.keep(trials, isOver);
		const now = () => performance.now() / 1000;
		const ground = { tasks, strings, bands, gear: gearOf(random), sound, onanswered, now };
		return { keeper, tasks, sitting: new ExaminationSitting(ground) };
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

	const { due, result } = $derived(sitting);
	const asks = $derived.by(() => {
		if (result) return `${outOf100(result.score)} of 100`;
		if (sitting.isEnded) return 'Left before it was through: nothing is kept.';
		const { by, exercise } = due;
		const name = noteName(exercise.note);
		if (by.is === 'interval')
			return `Set ${name} by the ${by.kind.name} with ${noteName(by.other)}: ${shortRate(by.rate)}`;
		return by.is === 'fork' ? `Bring ${name} to the fork` : `Bring the second string of ${name} to the first`;
	});
	const beneath = $derived(
		sitting.isOver
			? 'Read after three firm blows, and again ten minutes later.'
			: `${EXAMINED_NAMES[due.section]}. ${sitting.blows} firm blows given: what is not struck firmly does not hold.`
	);
</script>

<svelte:window onkeydown={(event) => onLeverKey(event, does)} />

<SittingFrame
	{asks}
	{beneath}
	isOver={sitting.isOver}
	count={sitting.step}
	most={tasks.length}
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
		<BlowButtons onstrike={does.strike!} onblow={does.blow!} onstand={does.stands!} stands="It stands" />
	{/snippet}
</SittingFrame>

{#if result}
	<section aria-label="Examination"><ExaminedSections {result} nameOf={noteName} /></section>
{/if}
<Shortcuts keys={HOLDING_KEYS} />
