<script lang="ts">
	import { saveFile } from '$lib/ui/saveFile';
	import { asksForRaise, judge, passesOf, raiseChoiceOf } from '$lib/visit/plan/judgement';
	import { ownersPage } from '$lib/visit/plan/makeOwnersPage';

	let { data } = $props();
	const open = $derived(data.open);
	const judgement = $derived(judge(open));
	const raise = $derived(raiseChoiceOf(open));
	const passes = $derived(judgement && asksForRaise(judgement.verdict) ? passesOf(open, judgement, raise) : []);
	const page = $derived(judgement && ownersPage(open, judgement, passes, raise));
	const planHref = $derived(`/visits/${open.visit.id}/plan`);
	let problem = $state<string | undefined>();
	let isMaking = $state(false);

	async function savePdf() {
		isMaking = true;
		problem = undefined;
		try {
			const answer = await fetch(`/api/visits/${open.visit.id}/plan-pdf`, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify(page)
			});
			if (!answer.ok) throw new Error(String(answer.status));
			saveFile(await answer.blob(), `${open.instrument.name}, plan.pdf`);
		} catch {
			problem = 'The PDF is made by the server, which does not answer. Print this page instead.';
		}
		isMaking = false;
	}
</script>

<svelte:head><title>Plan for {open.instrument.name} | Fendrel</title></svelte:head>

<main class="owners">
	<nav>
		<a class="anchor" href={planHref}>Back to Plan</a>
		{#if page}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => print()}>Print</button>
			<button type="button" class="btn preset-filled-brand" disabled={isMaking} onclick={savePdf}>Save as PDF</button>
		{/if}
	</nav>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
	{#if page}
		<p><b>{page.instrument}</b> <span class="soft">{[page.where, page.day].filter(Boolean).join('; ')}</span></p>
		<h1>{page.headline}</h1>
		<ul class="reasons">
			{#each page.reasons as { text, figure } (text)}<li><span>{text}</span><b class="mono">{figure}</b></li>{/each}
		</ul>
		<h2>What is to be done</h2>
		<ol>
			{#each page.steps as step (step)}<li>{step}</li>{/each}
		</ol>
		<h2>How it stands</h2>
		<table class="mono">
			<thead
				><tr
					>{#each page.table.head as cell (cell)}<th>{cell}</th>{/each}</tr
				></thead
			>
			<tbody>
				{#each page.table.rows as row (row[0])}
					<tr
						>{#each row as cell, i (i)}<td>{cell}</td>{/each}</tr
					>
				{/each}
			</tbody>
		</table>
		<h2>What to know</h2>
		<ul class="risks">
			{#each page.risks as risk (risk)}<li>{risk}</li>{/each}
		</ul>
	{:else}
		<p>Nothing has been read yet: there is no plan to show. <a class="anchor" href={planHref}>Back to Plan</a></p>
	{/if}
</main>

<style>
	.owners {
		max-width: 46rem;
		margin: 0 auto;
		padding: 1.5rem;
		display: grid;
		gap: 0.75rem;
	}
	nav {
		display: flex;
		gap: 1rem;
		align-items: center;
	}
	nav a {
		margin-right: auto;
	}
	h1 {
		font-family: var(--serif);
		font-size: 2.2rem;
		line-height: 1.15;
	}
	h2 {
		font-size: 1.1rem;
		font-weight: 700;
		margin-top: 0.75rem;
		font-family: inherit;
	}
	.reasons li {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		padding: 0.35rem 0;
		border-bottom: 1px solid var(--line);
	}
	.reasons b {
		white-space: nowrap;
	}
	ol,
	.risks {
		padding-left: 1.4rem;
		list-style: decimal;
	}
	.risks {
		list-style: disc;
	}
	table {
		border-collapse: collapse;
		width: 100%;
	}
	th,
	td {
		text-align: right;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--line);
		font-weight: 400;
	}
	th {
		color: var(--soft);
	}
	th:first-child,
	td:first-child {
		text-align: left;
	}
	@media print {
		nav,
		.problem {
			display: none;
		}
	}
</style>
