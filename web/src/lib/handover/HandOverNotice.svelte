<script lang="ts">
	import { onMount } from 'svelte';
	import { format } from 'date-fns';
	import { page } from '$app/state';
	import { counted } from '$lib/ui/format';
	import { handOver } from './handOver.svelte';

	onMount(() => {
		handOver.start();
		return () => handOver.stop();
	});
	let open = $state(false);
	let height = $state(0);
	// Pages that fill the window leave it room.
	$effect(() =>
		document.documentElement.style.setProperty('--notice', shown || handOver.refused.length ? `${height}px` : '0px')
	);
	/** A visit's own pages say what waits of it, beside its name. */
	const here = $derived(page.route.id?.startsWith('/visits/[id]') ? page.params.id : undefined);
	const elsewhere = $derived(
		[...handOver.byVisit.of].reduce((sum, [visit, count]) => sum + (visit === here ? 0 : count), 0)
	);
	/** What is on its way for a moment is nothing to speak of. */
	const shown = $derived(elsewhere > 0 && (handOver.trouble !== undefined || here !== undefined));
</script>

{#if shown || handOver.refused.length}
	<aside class="handover" aria-label="Not handed over" bind:offsetHeight={height}>
		{#if shown}
			<p role="status">
				{counted(elsewhere, 'entry', 'entries')}{here ? ' of other visits' : ''} wait{elsewhere === 1 ? 's' : ''} on this
				device{#if handOver.since}, since {format(handOver.since, 'd MMMM, HH:mm')}{/if}.
				{#if !here && handOver.trouble}{handOver.trouble}{/if}
			</p>
		{/if}
		{#if handOver.refused.length}
			<p role="status">
				The server refused {counted(handOver.refused.length, 'entry', 'entries')}; nothing else is held up.
				<button type="button" class="anchor" onclick={() => (open = true)}
					>Look at {handOver.refused.length === 1 ? 'it' : 'them'}</button
				>
			</p>
		{/if}
	</aside>
{/if}
{#if open}
	{#await import('./RefusedDialog.svelte') then { default: RefusedDialog }}<RefusedDialog bind:open />{/await}
{/if}

<style>
	.handover {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 2rem;
		padding: 0.5rem 1.5rem;
		font-size: 0.9rem;
		background: var(--sheet);
		border-bottom: 1px solid var(--line);
		border-left: 4px solid var(--sharp);
	}
	.anchor {
		min-height: 44px;
		margin-block: -12px;
	}
</style>
