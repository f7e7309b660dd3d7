<script lang="ts">
	import { A4_PRESETS, BOW_LIMITS, noteName, REED_LIMITS } from '@fendrel/core';
	import { onMount } from 'svelte';
	import { page } from '$app/state';
	import { ToneListening } from '$lib/audio/toneListening.svelte';
	import ToneTrace from '$lib/charts/ToneTrace.svelte';
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import LevelMeter from '$lib/listening/LevelMeter.svelte';
	import SourceSelect from '$lib/listening/SourceSelect.svelte';
	import OwnFork from '$lib/tones/OwnFork.svelte';
	import ReadTones from '$lib/tones/ReadTones.svelte';
	import SimulatedBreath from '$lib/tones/SimulatedBreath.svelte';
	import { ToneBoard } from '$lib/tones/toneBoard.svelte';
	import { REFUSED_WORDS } from '$lib/tones/toneWords';
	import { ask } from '$lib/ui/address';
	import { leaveButton, typedInto } from '$lib/ui/keys';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { fixed } from '$lib/ui/format';

	const asked = $derived(Number(page.url.searchParams.get('a4')));
	const a4 = $derived((A4_PRESETS as readonly number[]).includes(asked) ? asked : 440);
	const board = new ToneBoard(() => a4);
	const isBow = $derived(page.url.searchParams.get('by') === 'bow');
	const listening = new ToneListening(
		(events) => board.hear(events),
		() => (isBow ? BOW_LIMITS : REED_LIMITS)
	);
	/** It begins anew, with other limits. */
	async function keepBy(by: string) {
		const wasOn = listening.state === 'on';
		listening.stop();
		await ask({ by });
		if (wasOn) await listening.start();
	}
	onMount(() => {
		listening.recall();
		return () => listening.stop();
	});

	const KEYS = [
		{ keys: '1 2 3 4', does: 'blow softly, as one plays, hard, a swell (simulated reed)' },
		{ keys: 'Backspace', does: 'clear the list' },
		{ keys: '?', does: 'show or hide this list' }
	];
	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Backspace' && !typedInto(event) && !event.ctrlKey) board.clear();
	}

	const live = $derived(board.live);
	const side = $derived(!live || Math.abs(live.off) < 0.05 ? '' : live.off > 0 ? 'sharp' : 'flat');
	const says = $derived.by(() => {
		if (board.refused) return REFUSED_WORDS[board.refused];
		if (board.sounds) return 'It sounds. Hold it, or let it swell and fade; it is read when it ends.';
		if (listening.state !== 'on') return 'Press Listen, then sound one reed, pipe or fork, and hold it for a second.';
		return board.read.length ? 'Read. Sound the next one.' : 'Sound one reed, pipe or fork, and hold it for a second.';
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
		value={a4}
		onchange={(event) => void ask({ a4: event.currentTarget.value })}
	>
		{#each A4_PRESETS as each (each)}<option value={each}>A4 = {each} Hz</option>{/each}
	</select>
	<select
		class="select fit"
		aria-label="Kept going by"
		value={isBow ? 'bow' : 'breath'}
		onchange={(event) => void keepBy(event.currentTarget.value)}
	>
		<option value="breath">by breath, or a fork</option>
		<option value="bow">by a bow, which may tremble</option>
	</select>
</div>
{#if listening.fault}<p class="problem" role="alert">{FAULT_WORDS[listening.fault]}</p>{/if}

<div class="tone">
	<section class="figure" aria-label="The tone that sounds">
		<p class="note">{live ? noteName(live.note) : ' '}</p>
		<p class="cents {side}" aria-live="off">{live ? fixed(Math.abs(live.off), 1) : '–'}</p>
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
{#if listening.simulated}<SimulatedBreath reed={listening.simulated} {a4} />{/if}
{#if board.read.length}
	<section class="read" aria-label="Tones read">
		<h2 class="panel-heading">What was read? <span class="soft">the second in which each stood most still</span></h2>
		<ReadTones read={board.read} />
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => board.clear()}
			>Clear the list</button
		>
	</section>
{/if}
<OwnFork read={board.read[0]} />
<Shortcuts keys={KEYS} />

<style>
	.bar {
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
