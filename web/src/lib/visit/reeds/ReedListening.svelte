<script lang="ts">
	import { REED_SET_UPS } from '@fendrel/core';
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import LevelMeter from '$lib/listening/LevelMeter.svelte';
	import SourceSelect from '$lib/listening/SourceSelect.svelte';
	import type { SoundInput } from '$lib/audio/soundInput.svelte';
	import type { ReedVisit } from '../reedVisit.svelte';

	interface Props {
		open: ReedVisit;
		listening: SoundInput;
	}
	let { open, listening }: Props = $props();
	const NAMES = { block: 'covers off, sealed block', covers: 'covers on' } as const;
</script>

<div class="bar">
	<SourceSelect {listening} simulated="Simulated reeds" />
	{#if listening.state === 'on'}<LevelMeter levels={listening.levels} />{/if}
	<label>
		<span class="soft">Read with</span>
		<select
			class="select fit"
			value={open.setUp}
			onchange={(event) => open.choose(event.currentTarget.value === 'covers' ? 'covers' : 'block')}
		>
			{#each REED_SET_UPS as setUp (setUp)}<option value={setUp}>{NAMES[setUp]}</option>{/each}
		</select>
	</label>
</div>
{#if listening.fault}<p class="problem" role="alert">{FAULT_WORDS[listening.fault]}</p>{/if}

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.8rem;
		align-items: center;
	}
	.bar :global(.source) {
		flex-wrap: wrap;
	}
	label {
		display: flex;
		align-items: center;
		gap: 0.4rem;
	}
</style>
