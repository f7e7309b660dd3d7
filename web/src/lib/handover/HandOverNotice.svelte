<script lang="ts">
	import { onMount } from 'svelte';
	import { navigating, page, updated } from '$app/state';
	import { connection } from '$lib/device/connection.svelte';
	import { askWhoIsHere } from '$lib/device/owner';
	import { counted, onTime } from '$lib/ui/format';
	import { attachments } from './attachments.svelte';
	import { handOver } from './handOver.svelte';
	import { awayWords, clockWords } from './connectionWords';

	onMount(() => {
		handOver.start();
		const end = attachments.start();
		return () => {
			end();
			handOver.stop();
		};
	});
	let open = $state(false);
	let height = $state(0);

	/** A visit's own pages say beside its name what waits of it. */
	const here = $derived(page.route.id?.startsWith('/visits/[id') ? page.params.id : undefined);
	const elsewhere = $derived(
		[...handOver.byVisit.of].reduce((sum, [visit, count]) => sum + (visit === here ? 0 : count), 0)
	);
	const waiting = $derived(handOver.waiting);
	/** What is on its way for a moment is nothing to speak of. */
	const away = $derived(connection.state !== 'there' && connection.state !== 'slow');
	/** Pages that ask nothing by themselves still learn when it answers again. */
	const ASK_MS = 5000;
	$effect(() => {
		if (!away) return;
		const timer = setInterval(() => void askWhoIsHere(), ASK_MS);
		return () => clearInterval(timer);
	});
	/** A page that takes long to come. */
	let long = $state(false);
	const LONG_MS = 3000;
	$effect(() => {
		if (!navigating.to) return void (long = false);
		const timer = setTimeout(() => (long = true), LONG_MS);
		return () => clearTimeout(timer);
	});
	const clock = $derived(clockWords(connection.clockOff));
	/** On a visit's own pages its own entries are told beside its name. */
	const told = $derived(here ? elsewhere : waiting);
	const sentences = $derived([
		...(told && (away || here || handOver.trouble)
			? [
					`${counted(told, 'entry', 'entries')}${here ? ' of other visits' : ''} wait${told === 1 ? 's' : ''} on this device${handOver.since ? `, since ${onTime(handOver.since)}` : ''}.`
				]
			: []),
		...(waiting && handOver.trouble ? [handOver.trouble] : []),
		...(away && !waiting ? [`${awayWords(connection.state, connection.since)} Nothing waits.`] : []),
		...(!away && (connection.state === 'slow' || long) ? ['The server is slow to answer.'] : []),
		...[...handOver.ofOthers].map(
			([name, count]) =>
				`${counted(count, 'entry', 'entries')} that ${name} made wait${count === 1 ? 's' : ''} here until ${name} signs in.`
		),
		...(clock ? [clock] : []),
		...(page.data.former
			? [
					`Fendrel answered at ${page.data.former} before: what waits in a browser there is sent when it answers there again.`
				]
			: [])
	]);
	const shown = $derived(sentences.length > 0 || handOver.refused.length > 0 || updated.current);
	// Pages that fill the window leave it room.
	$effect(() => document.documentElement.style.setProperty('--notice', shown ? `${height}px` : '0px'));
</script>

{#if shown}
	<aside class="handover" aria-label="Not handed over" bind:offsetHeight={height}>
		{#if sentences.length}<p role="status">{sentences.join(' ')}</p>{/if}
		{#if handOver.refused.length}
			<p role="status">
				The server refused {counted(handOver.refused.length, 'entry', 'entries')}; nothing else is held up.
				<button type="button" class="anchor" onclick={() => (open = true)}
					>Look at {handOver.refused.length === 1 ? 'it' : 'them'}</button
				>
			</p>
		{/if}
		{#if updated.current}<p role="status">A new version of Fendrel is ready. It loads with the next page.</p>{/if}
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
