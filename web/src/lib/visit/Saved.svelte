<script lang="ts">
	import { connection } from '$lib/device/connection.svelte';
	import { handOver } from '$lib/handover/handOver.svelte';
	import { counted, onTime } from '$lib/ui/format';

	/** Of which visit, and whether the device has room for it. */
	let { visitId, kept }: { visitId: string; kept: boolean } = $props();
	const waiting = $derived(handOver.byVisit.of.get(visitId) ?? 0);
	const since = $derived(handOver.sinceOf.get(visitId));
	const away = $derived(connection.state !== 'there' && connection.state !== 'slow');
</script>

<p
	class={handOver.trouble || !kept ? 'problem' : 'soft'}
	data-testid="saved"
	data-waiting={waiting}
	data-keeping={handOver.keeping}
>
	{#if waiting}
		{counted(waiting, 'entry', 'entries')} waiting on this device{away && since ? ` since ${onTime(since)}` : ''}
	{:else if !handOver.looked}looking what waits here
	{:else if !kept}saved, but not held on this device
	{:else}everything saved{/if}
</p>
