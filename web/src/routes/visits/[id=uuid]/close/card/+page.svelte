<script lang="ts">
	import ReedPlates from '$lib/charts/ReedPlates.svelte';
	import { onDay } from '$lib/ui/format';
	import { nextVisit } from '$lib/visit/close/nextVisit';
	import PrintPage from '$lib/visit/reeds/PrintPage.svelte';
	import { reedAccount } from '$lib/visit/reeds/reedAccount';

	let { data } = $props();
	const { open } = $derived(data);
	const { visit, instrument, record } = $derived(open);
	const next = $derived(nextVisit(open, { moved: 0 }, new Date()));
	const { answer, word } = $derived(record.report.closing);
</script>

<PrintPage title="Card of {instrument.name}" back="/visits/{visit.id}/close" backTo="Close">
	<h1>{instrument.name}</h1>
	<p>{onDay(visit.startedAt)}{open.who ? `, ${open.who}` : ''}</p>
	<dl>
		{#each reedAccount(open) as [term, text] (term)}
			<dt>{term}</dt>
			<dd>{text}</dd>
		{/each}
		{#if answer}
			<dt>complaint</dt>
			<dd>{answer}</dd>
		{/if}
		{#if word}
			<dt>the player</dt>
			<dd>“{word.text}”{word.by ? ` (${word.by})` : ''}</dd>
		{/if}
		{#if visit.note}
			<dt>note</dt>
			<dd>{visit.note}</dd>
		{/if}
		<dt>next</dt>
		<dd>{onDay(new Date(next.on))}: {next.why}</dd>
	</dl>
	<ReedPlates
		reeds={open.reeds}
		says="cents from the plan; beneath each reed: strokes at its tip and at its root"
		under={({ tip, root }) => `${tip}, ${root}`}
	/>
</PrintPage>

<style>
	h1 {
		font-family: var(--serif);
		font-size: 2rem;
	}
	dl {
		display: grid;
		grid-template-columns: 8rem minmax(0, 1fr);
	}
	dt,
	dd {
		padding: 0.3rem 0;
		border-bottom: 1px solid var(--line);
		overflow-wrap: anywhere;
	}
	dt {
		color: var(--soft);
	}
</style>
