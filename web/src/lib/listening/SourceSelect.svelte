<script lang="ts">
	import { onMount } from 'svelte';
	import { listMicrophones } from '$lib/audio/microphone';
	import type { SoundInput } from '$lib/audio/soundInput.svelte';

	interface Props {
		listening: SoundInput;
		/** What stands in for a microphone. */
		simulated: string;
	}
	let { listening, simulated }: Props = $props();
	let microphones = $state.raw<{ readonly id: string; readonly label: string }[]>([]);
	const chosen = $derived(listening.source === 'simulated' ? 'simulated' : `microphone:${listening.device ?? ''}`);

	async function refresh() {
		microphones = await listMicrophones();
	}
	onMount(() => {
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

<label class:alone={listening.state !== 'on'}>
	<span class="soft">Sound from</span>
	<select class="select" aria-label="Sound from" value={chosen} onchange={(event) => choose(event.currentTarget.value)}>
		<option value="simulated">{simulated}</option>
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
		disabled={listening.state === 'opening'}
		onclick={() => listening.start()}>Listen</button
	>
{/if}

<style>
	label {
		display: flex;
		align-items: center;
		gap: 0.6rem;
		min-width: 0;
	}
	span {
		display: none;
		white-space: nowrap;
		font-size: 0.9rem;
	}
	/* With more controls beside it the choice says what it is without its name. */
	.alone span {
		display: inline;
	}
	select {
		min-height: 44px;
		max-width: 12.6rem;
		background: var(--sheet);
	}
	.alone select {
		max-width: 15rem;
	}
	@media (max-width: 480px) {
		.alone span {
			display: none;
		}
		.alone select {
			max-width: 12rem;
		}
	}
</style>
