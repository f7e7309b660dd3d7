<script lang="ts">
	import Pager from '$lib/ui/Pager.svelte';
	import { groupsCounted } from '$lib/tuning/kinds';
	import { counted, onShortDay } from '$lib/ui/format';

	let { data } = $props();
	const stages = {
		arrive: 'arriving',
		sound: 'in Sound',
		plan: 'in Plan',
		set: 'in Set',
		prove: 'in Prove',
		close: 'in Close'
	} as const;
</script>

<svelte:head><title>Visits | Fendrel</title></svelte:head>

<h1>{data.inAll ? `${counted(data.inAll, 'visit')} half done` : 'No visit is half done'}</h1>

{#each data.open as visit (visit.id)}
	<p class="open">
		<a class="verdict" href="/visits/{visit.id}">{visit.instrument}</a>
		<span class="soft">{visit.place ?? ''}</span>
		<span
			>begun {onShortDay(visit.startedAt)}, {stages[visit.stage]}, {groupsCounted(visit.notesSet, visit.kind)} set</span
		>
		<a class="btn preset-filled-brand" href="/visits/{visit.id}">Go on</a>
	</p>
{:else}
	<p class="soft mt-3">Open an <a class="anchor" href="/instruments">instrument</a> to start one.</p>
{/each}

<Pager next={data.nextOpen && `?open=${data.nextOpen}`} first={data.isFirst.open ? undefined : '?'} of="half done" />

{#if data.finished.length}
	<h2>Finished</h2>
	<table class="rule-table">
		<thead><tr><th>Day</th><th>Instrument</th><th class="figure">Set</th></tr></thead>
		<tbody>
			{#each data.finished as visit (visit.id)}
				<tr>
					<td class="soft">{onShortDay(visit.startedAt)}</td>
					<td
						><a href="/visits/{visit.id}/close">{visit.instrument}</a>
						<span class="soft">{visit.place ?? ''}</span></td
					>
					<td class="figure">{groupsCounted(visit.notesSet, visit.kind)}</td>
				</tr>
			{/each}
		</tbody>
	</table>
	<Pager
		next={data.nextFinished && `?finished=${data.nextFinished}`}
		first={data.isFirst.finished ? undefined : '?'}
		of="finished visits"
	/>
{/if}

<style>
	.open {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem 1.25rem;
		align-items: center;
		padding: 1rem 0;
		border-bottom: 1px solid var(--line);
	}
	.open .verdict {
		font-size: 1.5rem;
	}
	.open .btn {
		margin-left: auto;
	}
	h2 {
		margin: 2.5rem 0 0.5rem;
	}
	th.figure {
		font-family: inherit;
	}
</style>
