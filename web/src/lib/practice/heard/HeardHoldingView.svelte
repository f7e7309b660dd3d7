<script lang="ts">
	import { HELD_STRINGS, HOLDING, noteName, reachedIn, STRUCK, TEST_BLOWS, type DrillRegister } from '@fendrel/core';
	import { onMount, untrack } from 'svelte';
	import type { Listened } from '$lib/tuning/listened';
	import type { Plan } from '$lib/tuning/plan';
	import Segments from '$lib/ui/Segments.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import BlowButtons from '../BlowButtons.svelte';
	import { DRILL_WORDS } from '../drillWords';
	import HeldAnswers from '../HeldAnswers.svelte';
	import LeverKeys from '../LeverKeys.svelte';
	import { HOLDING_KEYS, onLeverKey, type LeverDoes } from '../practiceKeys';
	import { cameTo, habitWords } from '../setWords';
	import { SittingKeeper } from '../sittingKeeper.svelte';
	import SittingFrame from '../SittingFrame.svelte';
	import type { DrillView } from '../view';
	import { HeardHolding } from './heardHolding.svelte';
	import HeardSource from './HeardSource.svelte';
	import HeardStrikes from './HeardStrikes.svelte';
	import { HeardStrings, OPEN } from './heardStrings.svelte';
	import { begunHere, forgetBegun, keepBegun } from './heldBetween';

	interface Props extends DrillView {
		register: DrillRegister;
		listened: Listened;
		plan: Plan;
		a4: number;
	}
	let { register, listened, plan, a4, userId, onagain }: Props = $props();

	const { keeper, sitting, heard, words } = untrack(() => {
		const of = [userId, listened.id, register.id].join(' ');
		const keeper = new SittingKeeper(userId, { drill: HOLDING.id, register: register.id }, 1);
		const heard = new HeardStrings(listened, plan, a4, OPEN.one, (strike) => sitting.heard(strike));
		const sitting: HeardHolding = new HeardHolding({
			...{ register, begun: begunHere(of, Date.now()), now: () => Date.now() },
			onkept: (begun) => keepBegun(of, begun),
			onanswered: (trials) => {
				forgetBegun();
				keeper.keep(trials, true);
			},
			ondue: (note) => heard.expect(note)
		});
		return { keeper, sitting, heard, words: DRILL_WORDS[HOLDING.id] };
	});
	const isSimulated = $derived(heard.listening.simulated !== undefined);
	let now = $state(Date.now());
	onMount(() => {
		const close = heard.start();
		const ticks = setInterval(() => (now = Date.now()), 1000);
		return () => {
			clearInterval(ticks);
			close();
		};
	});

	function turned(by: number) {
		// What stands is not turned.
		if (sitting.isLater) return;
		sitting.last = by > 0 ? 1 : -1;
		heard.turn(0, by);
	}
	function end() {
		sitting.end();
		forgetBegun();
	}
	const does: LeverDoes = {
		turn: turned,
		strike: () => heard.strike(STRUCK.usual),
		blow: () => heard.strike(STRUCK.blow),
		stands: () => sitting.stand(),
		end
	};

	const over = $derived(
		cameTo(reachedIn(HOLDING, register, sitting.trials), sitting.trials.length, HOLDING.kind, words)
	);
	const name = $derived(noteName(sitting.note));
	const wait = $derived(Math.ceil(sitting.wait(now) / 1000));
	const asks = $derived.by(() => {
		if (sitting.isOver) return over.asks;
		if (!sitting.isLater) return `Set one string of ${name} so that it holds, the others muted`;
		if (wait === 0) return `Strike ${name} again, the same string`;
		return `${name} is read again in ${Math.floor(wait / 60)}:${String(wait % 60).padStart(2, '0')}`;
	});
	const beneath = $derived.by(() => {
		if (sitting.isOver) return [over.beneath, habitWords(sitting.trials)].filter(Boolean).join(' ');
		if (wait > 0) return 'All are set. Leave the lever off and the keys alone; this page may be closed meanwhile.';
		return `${sitting.isLater ? '' : 'Then '}${TEST_BLOWS} firm blows. ${sitting.blows} heard.`.trim();
	});
	const WAYS = [
		{ id: -1, label: 'down' },
		{ id: 1, label: 'up' }
	] as const;
</script>

<svelte:window onkeydown={(event) => onLeverKey(event, does)} />

<HeardSource {heard} />

<SittingFrame
	{asks}
	{beneath}
	isOver={sitting.isOver}
	count={sitting.isLater ? sitting.trials.length : sitting.left.length}
	most={HELD_STRINGS}
	did={sitting.isLater ? 'read again' : 'set'}
	problem={undefined}
	notice={sitting.notice}
	waits={keeper.waits}
	isPreparing={false}
	onend={end}
	{onagain}
>
	<HeardStrikes {heard} {name} strikes={sitting.strikes.length} />
	{#if isSimulated && !sitting.isLater}<LeverKeys onturn={turned} />
	{:else if !sitting.isLater}
		<p class="last">
			<span>Last turn of the lever</span>
			<Segments
				label="Last turn of the lever"
				choices={WAYS}
				chosen={sitting.last}
				onchoose={(last) => (sitting.last = last)}
			/>
		</p>
	{/if}
	{#snippet acts()}
		{@const stands = sitting.isLater ? 'Read it' : 'It holds'}
		{#if isSimulated}
			<BlowButtons disabled={wait > 0} onstrike={does.strike!} onblow={does.blow!} onstand={does.stands!} {stands} />
		{:else}
			<button type="button" class="btn preset-filled-brand" disabled={wait > 0} onclick={does.stands}>{stands}</button>
		{/if}
	{/snippet}
</SittingFrame>

<HeldAnswers trials={sitting.trials} />
<Shortcuts keys={HOLDING_KEYS} />

<style>
	.last {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem 1rem;
		align-items: center;
	}
</style>
