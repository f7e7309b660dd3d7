<script lang="ts">
	import {
		noteName,
		pairBeat,
		partialHz,
		reachedIn,
		type DrillRegister,
		type PairDrill,
		type SettingDrill,
		type SetTrial
	} from '@fendrel/core';
	import { onMount, untrack } from 'svelte';
	import type { Listened } from '$lib/tuning/listened';
	import type { Plan } from '$lib/tuning/plan';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { DRILL_WORDS } from '../drillWords';
	import LeverKeys from '../LeverKeys.svelte';
	import { onLeverKey, SETTING_KEYS, type LeverDoes } from '../practiceKeys';
	import { SITTING } from '../progress';
	import SetAnswers from '../SetAnswers.svelte';
	import { cameTo, tookWords } from '../setWords';
	import { SittingKeeper } from '../sittingKeeper.svelte';
	import SittingFrame from '../SittingFrame.svelte';
	import { anySeed, type DrillView } from '../view';
	import { HeardSitting, type HeardDrill } from './heardSitting.svelte';
	import HeardSource from './HeardSource.svelte';
	import HeardStrikes from './HeardStrikes.svelte';
	import { HeardStrings, OPEN } from './heardStrings.svelte';
	import { fixed } from '$lib/ui/format';

	interface Props extends DrillView {
		drill: SettingDrill | PairDrill;
		register: DrillRegister;
		listened: Listened;
		plan: Plan;
		a4: number;
	}
	let { drill, register, listened, plan, a4, userId, strings, hand, onagain }: Props = $props();
	/** The partial at which a pair's beat is counted. */
	const HEARD_AT = 2;

	const { keeper, sitting, heard, words, most } = untrack(() => {
		const keeper = new SittingKeeper(userId, { drill: drill.id, register: register.id }, 1);
		const onanswered = (trials: readonly SetTrial[], isOver: boolean) => keeper.keep(trials, isOver);
		const heard = new HeardStrings(listened, plan, a4, OPEN.two, (strike) => sitting.heard(strike));
		const of = { drill: drill.id as HeardDrill, register, hand, seed: anySeed(), onanswered };
		const sitting: HeardSitting = new HeardSitting({
			...of,
			now: () => performance.now() / 1000,
			ondue: (note) => heard.expect(note)
		});
		return { keeper, sitting, heard, words: DRILL_WORDS[drill.id], most: SITTING[drill.kind] };
	});
	const { listening } = heard;
	onMount(() => {
		const close = heard.start();
		return () => {
			sitting.end();
			close();
		};
	});
	const isPair = $derived(drill.kind === 'pair');
	/** The pair is to be clean: then it is measured. */
	const isClean = $derived(sitting.pair.phase === 'clean' || sitting.pair.phase === 'match');
	/** The string that the simulated lever sits on. */
	const onLever = $derived(isPair && sitting.pair.phase === 'match' ? 0 : 1);

	const does: LeverDoes = {
		turn: (by) => heard.turn(onLever, by),
		strike: () => heard.strike(),
		stands: () => sitting.stand(),
		end: () => sitting.end()
	};

	const over = $derived(cameTo(reachedIn(drill, register, sitting.trials), sitting.trials.length, drill.kind, words));
	const name = $derived(noteName(sitting.note));
	const due = $derived.by(() => {
		const { asked, pair } = sitting;
		if (!isPair)
			return asked === 0
				? `Bring two strings of ${name} together, the third muted`
				: `Set two strings of ${name} ${asked} ${asked === 1 ? 'cent' : 'cents'} apart, the third muted`;
		if (pair.phase === 'clean') return `Clean two strings of ${name}, the third muted`;
		if (pair.phase === 'match') return `Bring the other string of ${name} to it`;
		const beats = fixed(pairBeat(pair.by, partialHz(strings(sitting.note), HEARD_AT)), 1);
		return `Move one string of ${name} ${fixed(Math.abs(pair.by), 1)} cents ${pair.by < 0 ? 'down' : 'up'}: ${beats} a second`;
	});
	const beneath = $derived.by(() => {
		const { told, pair, par } = sitting;
		if (told) {
			if (isPair)
				return `It stands ${fixed(Math.abs(told.set), 2)} cents ${told.set < 0 ? 'flat' : 'sharp'}, ${tookWords(told, 'try')}.`;
			const what = `${fixed(told.set, 2)} cents apart${told.asked ? `, for ${told.asked} asked` : ''}`;
			return `${what}, ${tookWords(told, 'strike')}.`;
		}
		if (isPair && pair.stood !== undefined)
			return `The clean pair stands ${fixed(Math.abs(pair.stood), 1)} cents ${pair.stood < 0 ? 'flat' : 'sharp'}. Try ${pair.tries + 1}, par ${par}.`;
		return 'Strike as often as you like; say so when it stands, and it is measured from the last strike.';
	});
	const isSized = $derived(drill.id === 'apart');
</script>

<svelte:window onkeydown={(event) => onLeverKey(event, does)} />

<HeardSource {heard} />

<SittingFrame
	asks={sitting.isOver ? over.asks : due}
	beneath={sitting.isOver ? over.beneath : beneath}
	isOver={sitting.isOver}
	count={sitting.trials.length}
	{most}
	did="done"
	problem={undefined}
	notice={sitting.notice}
	waits={keeper.waits}
	isPreparing={false}
	onend={() => sitting.end()}
	{onagain}
>
	<HeardStrikes {heard} {name} strikes={sitting.strikes} />
	{#if listening.simulated}<LeverKeys onturn={(by) => heard.turn(onLever, by)} />{/if}
	{#snippet acts()}
		{#if listening.simulated}
			<button type="button" class="btn preset-filled-brand" onclick={() => heard.strike()}>Strike</button>
		{/if}
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => sitting.stand()}
			>{!isPair ? 'It stands' : isClean ? 'They are one: measure' : 'It is moved'}</button
		>
	{/snippet}
</SittingFrame>

<SetAnswers
	asks="How far off was each?"
	trials={sitting.trials}
	{most}
	below={isSized ? 'too little' : isPair ? 'flat' : undefined}
	isShare={isSized}
	phase={sitting.pair.phase}
/>
<Shortcuts keys={SETTING_KEYS} />
