<script lang="ts">
	import { drillOf, type Trial } from '@fendrel/core';
	import { onMount, untrack } from 'svelte';
	import { v7 as uuid } from 'uuid';
	import { Player } from '$lib/audio/player.svelte';
	import EarTrials from '$lib/charts/EarTrials.svelte';
	import { DRILL_WORDS, thresholdWords } from '$lib/practice/drillWords';
	import { handOverSittings, keepHere } from '$lib/practice/keptSittings';
	import { DRILL_KEYS, drillAction } from '$lib/practice/practiceKeys';
	import { SITTING } from '$lib/practice/progress';
	import { Sitting } from '$lib/practice/sitting.svelte';
	import { choiceName } from '$lib/tuning/choice';
	import { planFor } from '$lib/tuning/plan';
	import TuningBar from '$lib/tuning/TuningBar.svelte';
	import { ask } from '$lib/ui/address';
	import { counted } from '$lib/ui/format';
	import { leaveButton } from '$lib/ui/keys';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';

	let { data } = $props();
	/** The server gets what has been answered after each so many. */
	const SEND_EACH = 5;
	const drill = $derived(drillOf(data.drill)!);
	const register = $derived(drill.registers.find(({ id }) => id === data.register)!);
	const words = $derived(DRILL_WORDS[data.drill]);
	const player = new Player();
	let waits = $state<string | undefined>();
	let alive = $state(false);
	/** Begun anew with each instrument and register. */
	let sitting = $state.raw<Sitting>();

	function begin() {
		const id = uuid();
		const beganAt = new Date().toISOString();
		const { targetOf } = planFor(data.choice);
		const { userId } = data.signedIn;
		const of = { drill: data.drill, register: data.register, beganAt };
		const onanswered = (trials: readonly Trial[], isOver: boolean) => {
			keepHere(userId, id, { ...of, trials: [...trials] });
			if (isOver || trials.length % SEND_EACH === 0)
				void handOverSittings(userId).then((still) => {
					waits = still;
				});
		};
		sitting = new Sitting({
			...{ drill, register, player, onanswered, earlier: data.earlier },
			strings: (note) => targetOf(note)!.string,
			seed: crypto.getRandomValues(new Uint32Array(1))[0]
		});
	}
	$effect(() => {
		void [data.choice, data.register, data.drill];
		untrack(() => {
			sitting?.end();
			begin();
		});
	});

	onMount(() => {
		alive = true;
		const hidden = () => document.hidden && sitting?.interrupt('The page was out of sight: that one does not count.');
		const unplugged = () => sitting?.interrupt('A sound device came or went: that one does not count.');
		document.addEventListener('visibilitychange', hidden);
		navigator.mediaDevices?.addEventListener('devicechange', unplugged);
		return () => {
			document.removeEventListener('visibilitychange', hidden);
			navigator.mediaDevices?.removeEventListener('devicechange', unplugged);
			sitting?.end();
			player.close();
		};
	});
	function onkeydown(event: KeyboardEvent) {
		const action = drillAction(event);
		if (!action || !sitting || event.repeat) return;
		event.preventDefault();
		if (action.do === 'play') void sitting.play();
		else if (action.do === 'choose') sitting.choose(action.which);
		else if (action.do === 'take') sitting.choose(sitting.heard);
		else sitting.end();
	}
	const threshold = $derived.by(() => {
		void sitting?.trials;
		return sitting && sitting.own.trials.length >= 5 ? sitting.own.threshold() : undefined;
	});
	const verdict = $derived.by(() => {
		const told = sitting?.told;
		if (!told) return undefined;
		const was = `${told.right + 1} was ${words.was(words.size(told.size))}`;
		return told.chosen === told.right ? `Yes, ${was}.` : `No: ${was}.`;
	});
	const isPreparing = $derived(player.preparing !== undefined);
</script>

<svelte:head><title>{words.title} | Practice | Fendrel</title></svelte:head>
<svelte:window {onkeydown} onclick={leaveButton} />

<header>
	<h1>{words.title}</h1>
	<div class="bar">
		<select
			class="select fit"
			aria-label="Register"
			disabled={!alive}
			value={data.register}
			onchange={(event) => void ask({ register: event.currentTarget.value })}
		>
			{#each drill.registers as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
		<TuningBar choice={data.choice} fixedTemperament />
	</div>
</header>
{#if data.standsInFor}
	<p class="notice" role="status">
		Not all of these notes are on {data.standsInFor}: you hear {choiceName(data.choice)}.
	</p>
{/if}

{#if sitting}
	<section class="trial" aria-label="Trial">
		{#if sitting.isOver}
			<p class="asks">
				{#if sitting.trials.length === 0}Nothing was answered.
				{:else if sitting.own.isGuessing}These were guesses: no threshold is kept of them.
				{:else if threshold}{words.size(threshold.size)}
				{:else}Too few answers to say what you hear.{/if}
			</p>
			{#if threshold && !sitting.own.isGuessing}
				<p class="soft">{thresholdWords(threshold, words)}. {words.means(threshold)}</p>
			{/if}
			<p class="acts">
				<button type="button" class="btn preset-filled-brand" onclick={begin}>Another sitting</button>
				<a class="btn preset-outlined-surface-300-700" href="/practice">All drills</a>
			</p>
		{:else}
			<p class="asks" aria-live="polite">{verdict ?? words.asks}</p>
			<div class="choices" role="group" aria-label={words.asks} data-asked={sitting.isAsked}>
				{#each { length: drill.choices } as _, i (i)}
					<button
						type="button"
						class="one"
						class:sounds={sitting.isPlaying && player.turn === i}
						class:right={sitting.told?.right === i}
						class:wrong={sitting.told?.chosen === i && sitting.told.right !== i}
						disabled={!sitting.isAsked}
						aria-label={`It is ${i + 1}`}
						onclick={() => sitting!.choose(i)}
						><span class="number">{i + 1}</span><span class="state"
							>{sitting.isPlaying && player.turn === i
								? 'sounds'
								: sitting.told?.right === i
									? 'this one'
									: sitting.told?.chosen === i
										? 'you said'
										: ''}</span
						></button
					>
				{/each}
			</div>
			<p class="acts">
				<button
					type="button"
					class="btn preset-filled-brand"
					disabled={!alive || isPreparing}
					onclick={() => void sitting!.play()}>{sitting.isAsked ? 'Once more' : sitting.told ? 'Next' : 'Play'}</button
				>
				<button
					type="button"
					class="btn preset-outlined-surface-300-700"
					disabled={!alive}
					onclick={() => sitting!.end()}>End</button
				>
				<span class="soft" aria-live="polite"
					>{sitting.trials.length} of {SITTING} answered{isPreparing ? ', preparing the sound' : ''}</span
				>
			</p>
		{/if}
		{#if player.problem}<p class="problem" role="alert">{player.problem}</p>{/if}
		{#if sitting.notice}<p class="notice" role="status">{sitting.notice}</p>{/if}
		{#if sitting.isTired}
			<p class="notice" role="status">
				Your answers grew worse: the ear tires. Rest a quarter of an hour before the next sitting.
			</p>
		{/if}
		{#if waits}<p class="notice" role="status">
				{counted(sitting.trials.length, 'answer')} kept on this device. {waits}
			</p>{/if}
	</section>
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
			most={SITTING}
			{threshold}
			label={words.figure}
		/>
	</section>
{/if}
<footer>
	<p class="soft">{words.why} On {choiceName(data.choice)}.</p>
	<Shortcuts keys={DRILL_KEYS} />
</footer>

<style>
	header,
	.bar,
	footer {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		justify-content: space-between;
	}
	.trial {
		display: grid;
		justify-items: center;
		gap: 0.9rem;
		padding: 1.4rem 0 1rem;
		text-align: center;
	}
	.asks {
		font-family: var(--serif, inherit);
		font-size: 2rem;
		line-height: 1.2;
		min-height: 2.4rem;
	}
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
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: center;
		justify-content: center;
	}
	footer {
		margin-top: 1rem;
		border-top: 1px solid var(--line);
		padding-top: 0.6rem;
	}
	footer p {
		flex: 1 1 30rem;
		max-width: 56rem;
	}
</style>
