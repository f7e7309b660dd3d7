<script lang="ts">
	import { onMount } from 'svelte';
	import { groupRecords, reportOf } from '@fendrel/core';
	import { signedInHere } from '$lib/device/owner';
	import { shelf, type HeldVisit } from '$lib/device/shelf';
	import { handOver } from '$lib/handover/handOver.svelte';
	import { groupsCounted } from '$lib/tuning/kinds';
	import { counted, fixed, grouped, onDay } from '$lib/ui/format';
	import BeginVisit from './BeginVisit.svelte';

	/** What can be worked with when there is no server. */
	let held = $state.raw<Awaited<ReturnType<typeof shelf>> | undefined>();
	let room = $state<string | undefined>();
	const keepsPages = 'serviceWorker' in navigator;
	onMount(async () => {
		await signedInHere();
		held = await shelf();
		const { usage, quota } = (await navigator.storage?.estimate?.()) ?? {};
		if (usage !== undefined && quota)
			room = `${fixed(usage / 2 ** 20, 1)} MB used of ${grouped(Math.round(quota / 2 ** 20))} MB that the browser allows.`;
	});

	const visits = $derived(
		(held?.visits ?? [])
			.map((each) => ({ ...asShown(each), waiting: handOver.byVisit.of.get(each.visit.id) ?? 0 }))
			.sort((a, b) => b.startedAt.getTime() - a.startedAt.getTime())
	);
	const open = $derived(visits.filter(({ finishedAt }) => !finishedAt));
	const finished = $derived(visits.filter(({ finishedAt }) => finishedAt));
	const instruments = $derived(
		[...(held?.instruments ?? [])]
			.map(({ instrument }) => instrument)
			.filter(({ id }) => !open.some(({ instrumentId }) => instrumentId === id))
			.sort((a, b) => a.name.localeCompare(b.name))
	);

	function asShown({ visit, about, happened }: HeldVisit) {
		const report = reportOf([...visit.events, ...happened.map(({ told }) => told.event)]);
		const set = [...groupRecords(report.sounders.values()).values()].filter(({ left }) => left).length;
		const { id, instrumentId } = visit;
		const { name, kind, location } = about.instrument;
		const finishedAt = report.finishedAt;
		return { id, instrumentId, name, kind, location, set, finishedAt, startedAt: new Date(visit.startedAt) };
	}
</script>

{#snippet list(title: string, of: typeof visits, word: string)}
	<section>
		<h2>{title}</h2>
		<ul>
			{#each of as { id, name, kind, location, startedAt, set, waiting } (id)}
				<li>
					<div>
						<b>{name}</b>{#if location}<span class="soft">, {location.name}</span>{/if}
						<p class="soft">
							Visit of {onDay(startedAt)}, {groupsCounted(set, kind)} set{#if waiting}, {counted(
									waiting,
									'entry',
									'entries'
								)} waiting here{/if}
						</p>
					</div>
					<a class="btn preset-outlined-surface-300-700" href="/visits/{id}">{word}</a>
				</li>
			{/each}
		</ul>
	</section>
{/snippet}

<div class="held">
	<p class="soft">You can open these and work on them without the server. What you do waits here until it answers.</p>
	{#if held && visits.length + instruments.length === 0}
		<p>
			Nothing yet. Visits that are opened here, and instruments that are looked at, can be worked with afterwards
			without the server.
		</p>
	{/if}
	{#if open.length}{@render list('Visits to continue', open, 'Go on')}{/if}
	{#if instruments.length}
		<section>
			<h2>Start a visit on</h2>
			<ul>
				{#each instruments as { id, name, location } (id)}
					<li>
						<div>
							<b>{name}</b>{#if location}<span class="soft">, {location.name}</span>{/if}
						</div>
						<BeginVisit instrumentId={id} label="Start a visit" quiet />
					</li>
				{/each}
			</ul>
		</section>
	{/if}
	{#if finished.length}{@render list('Finished', finished, 'Look at it')}{/if}
	{#if !keepsPages}
		<p class="notice">
			This browser keeps no pages of this address: they open only while the server answers. It keeps them from an
			address that begins with https.
		</p>
	{/if}
	{#if room}<p class="soft small">{room}</p>{/if}
</div>

<style>
	.held {
		display: grid;
		gap: 1.75rem;
		margin-top: 1.5rem;
		max-width: 52rem;
	}
	h2 {
		font-size: 1.05rem;
	}
	li {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 1rem;
		padding: 0.6rem 0;
		border-top: 1px solid var(--line);
	}
</style>
