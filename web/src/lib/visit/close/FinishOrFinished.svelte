<script lang="ts">
	import { handOver } from '$lib/handover/handOver.svelte';
	import { counted, onDay } from '$lib/ui/format';
	import type { OpenVisit } from '../openVisit.svelte';
	import LastWords from './LastWords.svelte';

	let { open }: { open: OpenVisit } = $props();
	const { visit, instrument } = $derived(open);
	const waiting = $derived(handOver.byVisit.of.get(visit.id) ?? 0);
</script>

{#if visit.finishedAt}
	<p>
		Finished on {onDay(visit.finishedAt)}.
		{#if waiting}{counted(waiting, 'entry', 'entries')} of it wait{waiting === 1 ? 's' : ''} on this device and
			{waiting === 1 ? 'is' : 'are'} handed over when the server answers.{/if}
	</p>
	{#if visit.note}<p class="note">{visit.note}</p>{/if}
	<a class="btn preset-filled-brand" href="/instruments/{instrument.id}">To {instrument.name}</a>
{:else}
	<LastWords {open} />
{/if}

<style>
	.note {
		white-space: pre-line;
		overflow-wrap: anywhere;
	}
</style>
