<script lang="ts">
	import { handOver } from '$lib/handover/handOver.svelte';
	import { counted } from '$lib/ui/format';

	/** Of which visit. */
	let { visitId }: { visitId: string } = $props();
	const waiting = $derived(handOver.byVisit.of.get(visitId) ?? 0);
</script>

<p class={handOver.trouble ? 'problem' : 'soft'} data-testid="saved">
	{#if waiting}{counted(waiting, 'entry', 'entries')} waiting{:else}every reading saved{/if}
</p>
