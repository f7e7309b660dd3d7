<script lang="ts">
	import type { Snippet } from 'svelte';
	import { SURROUNDINGS, type Surroundings } from '@fendrel/core';
	import type { Listening } from '$lib/audio/listening.svelte';
	import LevelMeter from './LevelMeter.svelte';
	import SourceSelect from './SourceSelect.svelte';
	import { signed } from '$lib/ui/format';

	interface Props {
		listening: Listening;
		/** What else belongs to how one listens, at the end of the line. */
		children?: Snippet;
	}
	let { listening, children }: Props = $props();
	let showClock = $state(false);
</script>

<div class="source" class:full={listening.state === 'on'}>
	<SourceSelect {listening} simulated="Simulated instrument" />
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
	.more {
		margin-left: auto;
		white-space: nowrap;
	}
	.full {
		gap: 0.5rem;
	}
	.around {
		min-height: 44px;
		max-width: 10.2rem;
		background: var(--sheet);
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
</style>
