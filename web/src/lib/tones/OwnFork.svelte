<script lang="ts">
	import { forkAt, hz } from '@fendrel/core';
	import { onMount } from 'svelte';
	import { fixed, inHz, onShortDay } from '$lib/ui/format';
	import { keepFork, keptFork, type Fork } from './ownFork';
	import type { ReadTone } from './toneBoard.svelte';
	import { degreeUnit, temperatureFigure, temperatureWords, typedCelsius } from '$lib/ui/measures';

	/** The tone that was read last: it may have been the fork. */
	let { read }: { read: ReadTone | undefined } = $props();
	let fork = $state.raw<Fork | undefined>();
	onMount(() => void (fork = keptFork()));
	let text = $state(temperatureFigure(20, 0));
	let problem = $state<string | undefined>();
	/** Rooms that forks are struck in, in degrees Celsius. */
	const ROOMS = { coldest: -10, warmest: 45 } as const;
	const degrees = $derived(typedCelsius(text));
	const isRoom = $derived(degrees >= ROOMS.coldest && degrees <= ROOMS.warmest);
	const now = $derived(fork && isRoom ? forkAt(hz(fork.pitch), fork.temperature, degrees) : undefined);

	function keep() {
		if (!read) return;
		if (!isRoom) {
			problem = `Write the room’s temperature, ${temperatureFigure(ROOMS.coldest, 0)} to ${temperatureWords(ROOMS.warmest, 0)}.`;
			return;
		}
		const { pitch, error } = read.reading;
		const measured = { pitch, error, temperature: degrees, at: Date.now() };
		problem = keepFork(measured) ? undefined : 'This device has no room to keep it.';
		fork = measured;
	}
	function forget() {
		keepFork(undefined);
		fork = undefined;
	}
</script>

<section aria-label="Your fork">
	<h2 class="panel-heading">Your fork <span>a fork falls a fifth of a cent for each degree that it warms</span></h2>
	<p>
		<label
			>It is <input class="input" inputmode="decimal" aria-label="Temperature in {degreeUnit()}" bind:value={text} />
			{degreeUnit()} here.</label
		>
		<button type="button" class="btn preset-outlined-surface-300-700" disabled={!read} onclick={keep}
			>The last tone was my fork</button
		>
		{#if fork}<button type="button" class="btn preset-outlined-surface-300-700" onclick={forget}>Forget it</button>{/if}
	</p>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
	{#if fork}
		<p data-testid="fork">
			{inHz(fork.pitch, 2)} Hz ±{fixed(fork.error, 2)} cents at {temperatureWords(fork.temperature, 0)}, measured {onShortDay(
				new Date(fork.at)
			)}{#if now}; here it gives <b>{inHz(now, 2)} Hz</b>{/if}.
		</p>
	{/if}
</section>

<style>
	section {
		margin-top: 1.2rem;
		display: grid;
		gap: 0.5rem;
	}
	p:not([data-testid]) {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
	}
	input {
		width: 4.5rem;
		display: inline-block;
	}
</style>
