<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import WorkshopImport from '$lib/transfer/WorkshopImport.svelte';
	import { mayDo } from '$lib/workshop/roles';
	import type { Holdings } from '$lib/workshop/holdings';
	import { fixed, grouped } from '$lib/ui/format';

	let { data } = $props();
	let holdings = $state.raw<Holdings | undefined>();
	let problem = $state<string | undefined>();
	async function count() {
		const answer = await fetch('/api/workshop/holdings').catch(() => undefined);
		problem = answer?.ok ? undefined : 'The server does not answer. Try again in a moment.';
		if (answer?.ok) holdings = await answer.json();
	}
	const governs = $derived(mayDo(data.signedIn.role, 'govern'));
	const inMb = (bytes: number) => `${fixed(bytes / 1e6, 1)} MB`;
	const rows = [
		['Instruments, with scale, stringing and curves', 'instruments'],
		['Visits', 'visits'],
		['Readings: pitch, partials, when and by which device; no sound', 'readings'],
		['Acts: what was set, planned, found, noted, agreed', 'acts'],
		['Photos and sounds that somebody kept', 'attachments'],
		['Temperaments of your own', 'temperaments'],
		['People: name, e-mail, role, a digest of the password', 'people'],
		['Changes: who did what, when', 'changes']
	] as const;
</script>

<svelte:head><title>What is stored | Fendrel</title></svelte:head>

<h1>What is stored, and where</h1>
<div class="parts">
	<section>
		<h2>In the database of this server</h2>
		<table class="rule-table">
			<tbody>
				{#each rows as [what, kind] (kind)}
					<tr>
						<td>{what}</td>
						<td class="figure">
							{holdings ? grouped(holdings[kind]) : ''}{kind === 'attachments' && holdings
								? `, ${inMb(holdings.attachmentBytes)}`
								: ''}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
		{#if !holdings}
			<button class="btn preset-outlined-surface-300-700 mt-4" onclick={count}>Count them</button>
		{/if}
		{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
		<p>
			Whoever runs the server can read all of it but the passwords. Sign-ins keep the browser’s name and the time; wrong
			passwords are counted for a quarter of an hour. Nothing is sent to anybody else.
		</p>
		<h2>On each device</h2>
		<p>
			Visits and instruments that were opened there, so that they open without the server, and what has not been sent
			yet. Signing out clears the first and keeps the second. The page <a class="anchor" href="/device"
				>On this device</a
			> shows both. Sound from a microphone is listened to on the device and is not kept, unless somebody keeps a recording.
		</p>
	</section>
	<section>
		<h2>To get it out</h2>
		<p>
			A visit’s papers are on its instrument’s page; temperaments, scales and counts go out as CSV where they stand.
			{#if governs}Everything at once, deleted things included, in an open format:{:else}The owner can take everything
				out at once.{/if}
		</p>
		{#if governs}
			<p><a class="btn preset-outlined-surface-300-700" href="/api/workshop/export" download>Download all of it</a></p>
			<WorkshopImport ondone={() => invalidateAll()} />
		{/if}
		<p>
			On the server itself, <code>npm run backup</code> writes everything into one file, and
			<code>npm run restore</code> brings it back.
		</p>
		<h2>To erase somebody’s data</h2>
		<ol>
			<li>
				<b>Somebody who works here</b>: delete the account under People, then erase it under Deleted. Name, e-mail,
				sessions and known devices go; visits stay and no longer say who made them.
			</li>
			<li>
				<b>The owner of an instrument</b>: delete the instrument, then erase it under Deleted. Its visits, photos,
				sounds, what the owner said and agreed to go with it.
			</li>
			<li>
				<b>One visit</b>, with what was said in it: delete it on its instrument’s page, then erase it.
			</li>
			<li>
				<b>Devices</b> that hold a copy lose it at the next sign-out. <b>Backups</b> that were made before still have it:
				make a new one, and destroy those.
			</li>
		</ol>
		<p class="soft">
			Names that somebody typed into a note or an answer go with that instrument or visit only. Discarded readings can
			be taken back at any time, and go with their visit.
		</p>
	</section>
</div>

<style>
	.parts {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 2rem 4rem;
		margin-top: 1.5rem;
	}
	h2 {
		font-weight: 700;
		margin-bottom: 0.5rem;
	}
	h2:not(:first-child) {
		margin-top: 2rem;
	}
	p,
	ol {
		margin-top: 0.8rem;
		max-width: 38rem;
	}
	li {
		margin-top: 0.6rem;
	}
	@media (max-width: 860px) {
		.parts {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
