<script lang="ts">
	import { goto } from '$app/navigation';
	import { sent } from '$lib/device/send';
	import type { StoredTemperament } from '$lib/tuning/storedTemperament';

	let { stored, onkeep }: { stored: StoredTemperament; onkeep: () => void } = $props();
	let problem = $state<string | undefined>();

	async function discard() {
		problem = await sent('DELETE', `/api/temperaments/${stored.slug}`);
		if (problem) return;
		await goto('/temperaments');
	}
</script>

{#if problem}<p class="notice" role="alert">{problem}</p>
{:else}
	<div class="notice" role="alertdialog" aria-label="Delete {stored.name}">
		Delete {stored.name} for good?
		<button type="button" class="btn preset-filled-brand" onclick={discard}>Delete it</button>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={onkeep}>Keep it</button>
	</div>
{/if}

<style>
	.notice {
		margin-bottom: 1rem;
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: center;
	}
</style>
