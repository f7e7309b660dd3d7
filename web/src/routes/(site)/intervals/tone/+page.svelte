<script lang="ts">
	import { A4_PRESETS, equalHz, hz, noteName, STEADY_REED } from '@fendrel/core';
	import { onMount } from 'svelte';
	import { page } from '$app/state';
	import { ToneListening } from '$lib/audio/toneListening.svelte';
	import ToneTrace from '$lib/charts/ToneTrace.svelte';
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import LevelMeter from '$lib/listening/LevelMeter.svelte';
	import SourceSelect from '$lib/listening/SourceSelect.svelte';
	import ReadTones from '$lib/tones/ReadTones.svelte';
	import { ToneBoard } from '$lib/tones/toneBoard.svelte';
	import { BREATHS, REFUSED_WORDS, type Breath } from '$lib/tones/toneWords';
	import { ask } from '$lib/ui/address';
	import { leaveButton, typedInto } from '$lib/ui/keys';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';

	/** Reeds of a simulated harmonica in C, blown: how far off each stands, and how it follows the breath. */
	const REEDS = [
		{ note: 60, off: 4.1, slope: -0.32 },
		{ note: 64, off: -3.2, slope: -0.26 },
		{ note: 67, off: 0.2, slope: -0.2 },
		{ note: 72, off: 1.3, slope: -0.15 },
		{ note: 76, off: 7.2, slope: -0.12 },
		{ note: 79, off: -0.3, slope: -0.1 },
		{ note: 84, off: 0.4, slope: -0.06 }
	] as const;

	const asked = $derived(Number(page.url.searchParams.get('a4')));
	const a4 = $derived((A4_PRESETS as readonly number[]).includes(asked) ? asked : 440);
	const board = new ToneBoard(() => a4);
	const listening = new ToneListening((events) => board.hear(events));
	let alive = $state(false);
	let chosen = $state(0);
	let isPaired = $state(false);
	let blown = 0;
	onMount(() => {
		alive = true;
		listening.recall();
		return () => listening.stop();
	});

	function blow({ tone }: Breath) {
		const { note, off, slope } = REEDS[chosen];
		const pitch = equalHz(note, hz(a4)) * 2 ** (off / 1200);
		const reed = { ...STEADY_REED, ...tone, noise: 38, wobble: { cents: 0.25, rate: 4.3 } };
		const tones = [{ ...reed, pitch, slope, seed: ++blown }];
		// Its partner an octave above stands a cent and a half wide.
		const partner = { ...reed, pitch: 2 * pitch * 2 ** (1.5 / 1200), slope, seed: 100 + blown };
		void listening.simulated?.blow(isPaired ? [...tones, partner] : tones);
	}
	const KEYS = [
		{ keys: '1 2 3', does: 'blow gently, as one plays, a swell (simulated reed)' },
		{ keys: 'Backspace', does: 'clear the list' },
		{ keys: '?', does: 'show or hide this list' }
	];
	function onkeydown(event: KeyboardEvent) {
		if (typedInto(event) || event.ctrlKey || event.repeat) return;
		if (event.key === 'Backspace') board.clear();
		else if (listening.simulated && BREATHS[Number(event.key) - 1]) blow(BREATHS[Number(event.key) - 1]);
	}

	const live = $derived(board.live);
	const side = $derived(!live || Math.abs(live.off) < 0.05 ? '' : live.off > 0 ? 'sharp' : 'flat');
	const says = $derived.by(() => {
		if (board.refused) return REFUSED_WORDS[board.refused];
		if (board.sounds) return 'It sounds. Hold it, or let it swell and fade; it is read when it ends.';
		if (listening.state !== 'on')
			return 'Press Listen, then sound one reed, pipe, bow or fork, and hold it for a second.';
		return board.read.length
			? 'Read. Sound the next one.'
			: 'Sound one reed, pipe, bow or fork, and hold it for a second.';
	});
</script>

<svelte:head><title>A tone that lasts | Intervals | Fendrel</title></svelte:head>
<svelte:window {onkeydown} onclick={leaveButton} />

<div class="bar">
	<SourceSelect {listening} simulated="Simulated reed" />
	{#if listening.state === 'on'}<LevelMeter levels={listening.levels} />{/if}
	<select
		class="select fit"
		aria-label="A4"
		disabled={!alive}
		value={a4}
		onchange={(event) => void ask({ a4: event.currentTarget.value })}
	>
		{#each A4_PRESETS as each (each)}<option value={each}>A4 = {each} Hz</option>{/each}
	</select>
</div>
{#if listening.fault}<p class="problem" role="alert">{FAULT_WORDS[listening.fault]}</p>{/if}

<div class="tone">
	<section class="figure" aria-label="The tone that sounds">
		<p class="note">{live ? noteName(live.note) : ' '}</p>
		<p class="cents {side}" aria-live="off">{live ? Math.abs(live.off).toFixed(1) : '–'}</p>
		<p class="soft">{live ? `cents ${side || 'off'}, at A4 = ${a4} Hz` : 'cents from the nearest note'}</p>
		<p class="says" role="status">{says}</p>
	</section>
	<section class="picture">
		<h2 class="panel-heading">
			Does it stand still? <span class="soft">cents from {live ? noteName(live.note) : 'the nearest note'}</span>
		</h2>
		<ToneTrace points={board.trace} name={live ? noteName(live.note) : 'the nearest note'} />
	</section>
</div>
{#if listening.simulated}
	<div class="breath" role="group" aria-label="Simulated reed">
		<select class="select fit" aria-label="Reed" bind:value={chosen}>
			{#each REEDS as { note }, i (note)}<option value={i}>{noteName(note)}</option>{/each}
		</select>
		<label><input type="checkbox" class="checkbox" bind:checked={isPaired} /> with its octave</label>
		{#each BREATHS as breath (breath.id)}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => blow(breath)}
				>{breath.name}</button
			>
		{/each}
	</div>
{/if}
{#if board.read.length}
	<section class="read" aria-label="Tones read">
		<h2 class="panel-heading">What was read? <span class="soft">the second in which each stood most still</span></h2>
		<ReadTones read={board.read} />
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => board.clear()}
			>Clear the list</button
		>
	</section>
{/if}
<Shortcuts keys={KEYS} />

<style>
	.bar,
	.breath {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 0.8rem;
		align-items: center;
	}
	.tone {
		display: grid;
		grid-template-columns: minmax(18rem, 24rem) minmax(0, 1fr);
		gap: 1rem 2.5rem;
		margin-top: 1rem;
	}
	.note {
		font-family: var(--serif);
		font-size: 1.8rem;
		line-height: 1.2;
		min-height: 2.2rem;
	}
	.cents {
		font-size: 7rem;
		line-height: 1;
		font-weight: 700;
		font-variant-numeric: tabular-nums;
	}
	.sharp {
		color: var(--sharp);
	}
	.flat {
		color: var(--flat);
	}
	.says {
		margin-block: 0.8rem;
		min-height: 3rem;
		max-width: 26rem;
	}
	.read {
		margin-top: 1.2rem;
		display: grid;
		gap: 0.6rem;
		justify-items: start;
	}
	@media (max-width: 800px) {
		.tone {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
