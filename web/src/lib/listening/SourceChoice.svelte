<script lang="ts">
	import { onMount, type Snippet } from 'svelte';
	import { SURROUNDINGS, type Surroundings } from '@fendrel/core';
	import { listMicrophones } from '$lib/audio/microphone';
	import type { Listening } from '$lib/audio/listening.svelte';
	import LevelMeter from './LevelMeter.svelte';
	import { signed } from '$lib/ui/format';

	interface Props {
		listening: Listening;
		/** What else belongs to how one listens, at the end of the line. */
		children?: Snippet;
	}
	let { listening, children }: Props = $props();
	let microphones = $state.raw<{ readonly id: string; readonly label: string }[]>([]);
	const chosen = $derived(listening.source === 'simulated' ? 'simulated' : `microphone:${listening.device ?? ''}`);

	/** Until the page lives, its buttons do nothing: better to show that than to lose a press. */
	let alive = $state(false);
	let showClock = $state(false);

	async function refresh() {
		microphones = await listMicrophones();
	}
	onMount(() => {
		alive = true;
		void refresh();
		navigator.mediaDevices?.addEventListener('devicechange', refresh);
		return () => navigator.mediaDevices?.removeEventListener('devicechange', refresh);
	});
	$effect(() => {
		// Names of microphones are told only once one has been allowed.
		if (listening.state === 'on') void refresh();
	});
	async function choose(value: string) {
		const [source, device] = value.split(':');
		await listening.choose(source === 'simulated' ? 'simulated' : 'microphone', device || undefined);
	}
</script>

<div class="source" class:full={listening.state === 'on'}>
	<label>
		<span class="soft">Sound from</span>
		<select
			class="select"
			aria-label="Sound from"
			disabled={!alive}
			value={chosen}
			onchange={(event) => choose(event.currentTarget.value)}
		>
			<option value="simulated">Simulated instrument</option>
			<option value="microphone:">Microphone</option>
			{#each microphones.filter(({ id }) => id !== 'default') as { id, label } (id)}<option value="microphone:{id}"
					>{label}</option
				>{/each}
		</select>
	</label>
	{#if listening.state === 'on'}
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => listening.stop()}>Stop</button>
	{:else}
		<button
			type="button"
			class="btn preset-filled-brand"
			disabled={!alive || listening.state === 'opening'}
			onclick={() => listening.start()}>Listen</button
		>
	{/if}
	{#if listening.state === 'on' && listening.source === 'simulated'}
		<select
			class="select around"
			aria-label="About the instrument"
			value={listening.around}
			onchange={(event) => listening.surround(event.currentTarget.value as Surroundings)}
		>
			{#each SURROUNDINGS as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
	{/if}
	{#if listening.state === 'on'}<LevelMeter levels={listening.levels} />{/if}
	{#if listening.state === 'on' && listening.source === 'microphone'}
		<button type="button" class="clock" onclick={() => (showClock = true)}
			>{listening.clock === 0 ? 'Check its clock' : `Clock ${signed(-listening.clock, 2)} cents`}</button
		>
	{/if}
	{#if children}<div class="more">{@render children()}</div>{/if}
</div>
{#if showClock}
	{#await import('./ClockDialog.svelte') then { default: ClockDialog }}<ClockDialog {listening} bind:open={showClock} />
	{:catch}<p class="problem" role="alert">The clock could not be loaded. Reload the page.</p>{/await}
{/if}

<style>
	.source {
		display: flex;
		gap: 0.75rem;
		align-items: center;
	}
	label {
		display: flex;
		align-items: center;
		gap: 0.6rem;
		min-width: 0;
	}
	label span {
		white-space: nowrap;
		font-size: 0.9rem;
	}
	.more {
		margin-left: auto;
		white-space: nowrap;
	}
	/* With more controls beside it the choice says what it is without its name. */
	.full label span {
		display: none;
	}
	.full {
		gap: 0.5rem;
	}
	.full select {
		max-width: 12.6rem;
	}
	.full .around {
		max-width: 10.2rem;
	}
	.clock {
		min-height: 44px;
		white-space: nowrap;
		font-size: 0.9rem;
		color: var(--soft);
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
	}
	select {
		min-height: 44px;
		max-width: 15rem;
		background: var(--sheet);
	}
	@media (max-width: 480px) {
		label span {
			display: none;
		}
		select {
			max-width: 12rem;
		}
	}
</style>
